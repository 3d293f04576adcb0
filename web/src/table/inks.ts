/** The inks of the films: red, green, blue from 0 to 1, laid over each other by multiplying. */
export type Ink = readonly [number, number, number];

function ink(hex: string): Ink {
  const n = parseInt(hex.slice(1), 16);
  return [(n >> 16) / 255, ((n >> 8) & 255) / 255, (n & 255) / 255];
}

const INKS: Record<string, string> = {
  'copper-top': '#d98a5f',
  'copper-bottom': '#86bfc7',
  'mask-top': '#b9a3d6',
  'mask-bottom': '#b9a3d6',
  'paste-top': '#7d8a9c',
  'paste-bottom': '#8793a3',
  'silk-top': '#6a655d',
  'silk-bottom': '#938973',
  outline: '#3a332b',
};
const INNER = ['#9a6a94', '#93945a'];

export function hexOf(role: string): string {
  const inner = /^copper-inner-(\d+)$/.exec(role);
  if (inner) {
    return INNER[(Number(inner[1]) - 1) % INNER.length] ?? '#9a6a94';
  }
  return INKS[role] ?? '#8a8272';
}

export function inkOf(role: string): Ink {
  return ink(hexOf(role));
}

/** The two inks of an x-ray: where both lie they make near black, where they part a fringe shows. */
export const XRAY_A: Ink = ink('#e3a04a');
export const XRAY_B: Ink = ink('#5b8fc0');

/** What a newer revision added and took away. */
export const ADDED: Ink = ink('#1f7a70');
export const REMOVED: Ink = ink('#b8487e');

/** Pieces of one net that are not joined, told apart. */
export const PIECES: readonly Ink[] = ['#b8487e', '#1f7a70', '#b5851c', '#5a68b8', '#5f7d33'].map(
  ink,
);

export function hexOfInk([r, g, b]: Ink): string {
  return `rgb(${[r, g, b].map((c) => Math.round(c * 255)).join(' ')})`;
}

export function isHatched(role: string): boolean {
  return role.startsWith('mask-');
}

/**
 * Where the light table looks: the place in the middle, how many pixels a nanometre takes, whether
 * the board is seen from below, and by how many quarter turns it is turned counter-clockwise.
 */
export interface Viewport {
  cx: number;
  cy: number;
  scale: number;
  flipped: boolean;
  turn: number;
  width: number;
  height: number;
}

export interface Extent {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

const CLOSEST = 2e-3;
const FARTHEST = 1e-7;
const COS = [1, 0, -1, 0];
const SIN = [0, 1, 0, -1];

/** What a board's x and y become on the screen, y up: [xx, xy, yx, yy]. */
export function axes(v: Viewport): [number, number, number, number] {
  const side = v.flipped ? -1 : 1;
  const c = COS[v.turn & 3] ?? 1;
  const s = SIN[v.turn & 3] ?? 0;
  return [c * side, -s, s * side, c];
}

/** Nanometres to pixels, y down. */
export function toScreen(v: Viewport, x: number, y: number): [number, number] {
  const [xx, xy, yx, yy] = axes(v);
  const dx = x - v.cx;
  const dy = y - v.cy;
  return [
    v.width / 2 + (xx * dx + xy * dy) * v.scale,
    v.height / 2 - (yx * dx + yy * dy) * v.scale,
  ];
}

export function toBoard(v: Viewport, px: number, py: number): [number, number] {
  const [xx, xy, yx, yy] = axes(v);
  const u = (px - v.width / 2) / v.scale;
  const w = -(py - v.height / 2) / v.scale;
  // The axes are a mirror image and a turn: their inverse is their transpose.
  return [v.cx + xx * u + yx * w, v.cy + xy * u + yy * w];
}

/** Zooms so that the place under the pointer stays there. */
export function zoomAbout(v: Viewport, px: number, py: number, factor: number): Viewport {
  const [x, y] = toBoard(v, px, py);
  const scale = Math.min(CLOSEST, Math.max(FARTHEST, v.scale * factor));
  const moved = { ...v, scale };
  const [nx, ny] = toBoard(moved, px, py);
  return { ...moved, cx: moved.cx + x - nx, cy: moved.cy + y - ny };
}

export function pan(v: Viewport, dx: number, dy: number): Viewport {
  const [cx, cy] = toBoard(v, v.width / 2 - dx, v.height / 2 - dy);
  return { ...v, cx, cy };
}

/** The whole extent in view with a margin of eight per cent. */
export function fit(v: Viewport, e: Extent): Viewport {
  const w = Math.max(1, e.maxX - e.minX);
  const h = Math.max(1, e.maxY - e.minY);
  const [across, up] = v.turn & 1 ? [h, w] : [w, h];
  const scale = Math.min(v.width / across, v.height / up) * 0.84;
  return { ...v, scale, cx: (e.minX + e.maxX) / 2, cy: (e.minY + e.maxY) / 2 };
}

/** Looks at a place, near enough to see {@code span} nm around it. */
export function lookAt(v: Viewport, x: number, y: number, span: number): Viewport {
  return { ...v, cx: x, cy: y, scale: Math.min(CLOSEST, Math.min(v.width, v.height) / span) };
}

/** Beyond these a moved picture would show too little of the board, or too coarsely. */
const FARTHEST_MOVE = 0.6;
const STRONGEST_ZOOM = 4;

/**
 * The CSS transform that brings a picture drawn at one viewport to another; null when they are too
 * far apart for that.
 */
export function movedTo(drawn: Viewport, now: Viewport): string | null {
  const k = now.scale / drawn.scale;
  const comparable =
    drawn.flipped === now.flipped &&
    drawn.turn === now.turn &&
    drawn.width === now.width &&
    drawn.height === now.height;
  const [dx, dy] = toBoard(drawn, 0, 0);
  const [tx, ty] = toScreen(now, dx, dy);
  const [mx, my] = toScreen(now, drawn.cx, drawn.cy);
  const far =
    Math.abs(mx - now.width / 2) > FARTHEST_MOVE * now.width ||
    Math.abs(my - now.height / 2) > FARTHEST_MOVE * now.height;
  if (!comparable || far || k > STRONGEST_ZOOM || k < 1 / STRONGEST_ZOOM) {
    return null;
  }
  return `matrix(${k}, 0, 0, ${k}, ${tx}, ${ty})`;
}

/** The spacing of a grid in the unit of {@code unitNm}: 1, 2 or 5 by tens, 12 px or more apart. */
export function gridStep(scale: number, unitNm: number): number {
  const least = 12 / scale / unitNm;
  const ten = 10 ** Math.floor(Math.log10(least));
  const step = [1, 2, 5, 10].find((k) => k * ten >= least * (1 - 1e-9)) ?? 10;
  return step * ten * unitNm;
}

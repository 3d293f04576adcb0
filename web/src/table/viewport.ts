/** Where the light table looks: the place in the middle, and how many pixels a nanometre takes. */
export interface Viewport {
  cx: number;
  cy: number;
  scale: number;
  flipped: boolean;
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

/** Nanometres to pixels, y down. */
export function toScreen(v: Viewport, x: number, y: number): [number, number] {
  const side = v.flipped ? -1 : 1;
  return [v.width / 2 + side * (x - v.cx) * v.scale, v.height / 2 - (y - v.cy) * v.scale];
}

export function toBoard(v: Viewport, px: number, py: number): [number, number] {
  const side = v.flipped ? -1 : 1;
  return [v.cx + (side * (px - v.width / 2)) / v.scale, v.cy - (py - v.height / 2) / v.scale];
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
  const side = v.flipped ? -1 : 1;
  return { ...v, cx: v.cx - (side * dx) / v.scale, cy: v.cy + dy / v.scale };
}

/** The whole extent in view with a margin of eight per cent. */
export function fit(v: Viewport, e: Extent): Viewport {
  const w = Math.max(1, e.maxX - e.minX);
  const h = Math.max(1, e.maxY - e.minY);
  const scale = Math.min(v.width / w, v.height / h) * 0.84;
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
    drawn.flipped === now.flipped && drawn.width === now.width && drawn.height === now.height;
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

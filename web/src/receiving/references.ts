import type { Job } from '../api/client';

/** A place of the board that is found again on a photograph, nm. */
export interface Reference {
  name: string;
  x: number;
  y: number;
}

const LEAST_HOLE = 1.5e6;
const MOST_HOLES = 6;

/** Corners of the board and large holes, those farthest apart first. */
export function references(job: Job): Reference[] {
  const { minX, minY, maxX, maxY } = job.board;
  const corners: Reference[] = [
    { name: 'lower left corner', x: minX, y: minY },
    { name: 'upper right corner', x: maxX, y: maxY },
    { name: 'upper left corner', x: minX, y: maxY },
    { name: 'lower right corner', x: maxX, y: minY },
  ];
  const cx = (minX + maxX) / 2;
  const cy = (minY + maxY) / 2;
  const holes = job.holes
    .filter((h) => h.x0 === h.x1 && h.y0 === h.y1 && h.diameter >= LEAST_HOLE)
    .sort((a, b) => Math.hypot(b.x0 - cx, b.y0 - cy) - Math.hypot(a.x0 - cx, a.y0 - cy))
    .slice(0, MOST_HOLES)
    .map((h, i) => ({
      name: `hole ${i + 1}, ${(h.diameter / 1e6).toFixed(1)} mm`,
      x: h.x0,
      y: h.y0,
    }));
  return holes.length >= 4 ? [...holes, ...corners] : [...corners, ...holes];
}

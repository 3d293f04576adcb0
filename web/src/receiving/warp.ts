/** Where a place of the photograph lies on the board, nm. */
export function apply(m: readonly number[], x: number, y: number): [number, number] {
  const at = (i: number) => m[i] ?? 0;
  const w = at(6) * x + at(7) * y + at(8);
  return [(at(0) * x + at(1) * y + at(2)) / w, (at(3) * x + at(4) * y + at(5)) / w];
}

type Place = readonly [number, number];

/** The affine map that takes three places to three others: a, b, c, d, e, f of a canvas. */
export function affine(
  from: readonly [Place, Place, Place],
  to: readonly [Place, Place, Place],
): [number, number, number, number, number, number] | null {
  const [[x0, y0], [x1, y1], [x2, y2]] = from;
  const [[u0, v0], [u1, v1], [u2, v2]] = to;
  const det = (x1 - x0) * (y2 - y0) - (x2 - x0) * (y1 - y0);
  if (Math.abs(det) < 1e-9) {
    return null;
  }
  const a = ((u1 - u0) * (y2 - y0) - (u2 - u0) * (y1 - y0)) / det;
  const c = ((u2 - u0) * (x1 - x0) - (u1 - u0) * (x2 - x0)) / det;
  const b = ((v1 - v0) * (y2 - y0) - (v2 - v0) * (y1 - y0)) / det;
  const d = ((v2 - v0) * (x1 - x0) - (v1 - v0) * (x2 - x0)) / det;
  return [a, b, c, d, u0 - a * x0 - c * y0, v0 - b * x0 - d * y0];
}

import { toScreen, type Viewport } from './viewport';

/** Rings, flat x and y in nm, as one path on the screen. */
export function trace(
  g: CanvasRenderingContext2D,
  v: Viewport,
  rings: readonly (readonly number[])[],
): void {
  g.beginPath();
  for (const r of rings) {
    for (let i = 0; i + 1 < r.length; i += 2) {
      const [x, y] = toScreen(v, r[i] ?? 0, r[i + 1] ?? 0);
      if (i === 0) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
    }
    g.closePath();
  }
}

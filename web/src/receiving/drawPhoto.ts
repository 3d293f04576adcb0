import type { Over } from '../table/overlay';
import { toScreen } from '../table/viewport';
import { affine, apply } from './warp';

/** So many pieces a side are bent as a whole photograph is, to less than a pixel. */
const PIECES = 24;

/** A photograph laid on the board, faded between it and the films. */
export function drawPhoto(image: ImageBitmap, toBoard: readonly number[], fade: number): Over {
  return (g, v) => {
    if (fade <= 0) {
      return;
    }
    const ratio = window.devicePixelRatio || 1;
    const at = (i: number, k: number): [number, number] => [
      (image.width * i) / PIECES,
      (image.height * k) / PIECES,
    ];
    const seen = (p: [number, number]): [number, number] => toScreen(v, ...apply(toBoard, ...p));
    g.save();
    g.globalAlpha = Math.min(1, fade);
    for (let i = 0; i < PIECES; i++) {
      for (let k = 0; k < PIECES; k++) {
        const c = [at(i, k), at(i + 1, k), at(i + 1, k + 1), at(i, k + 1)] as const;
        const s = [seen(c[0]), seen(c[1]), seen(c[2]), seen(c[3])] as const;
        const m = affine([c[0], c[1], c[3]], [s[0], s[1], s[3]]);
        if (!m || s.some(([x, y]) => !Number.isFinite(x + y))) {
          continue;
        }
        const xs = s.map((p) => p[0]);
        const ys = s.map((p) => p[1]);
        if (
          Math.max(...xs) < 0 ||
          Math.max(...ys) < 0 ||
          Math.min(...xs) > v.width ||
          Math.min(...ys) > v.height
        ) {
          continue;
        }
        g.save();
        g.beginPath();
        s.forEach(([x, y], n) => (n === 0 ? g.moveTo(x, y) : g.lineTo(x, y)));
        g.closePath();
        g.clip();
        g.setTransform(
          ratio * m[0],
          ratio * m[1],
          ratio * m[2],
          ratio * m[3],
          ratio * m[4],
          ratio * m[5],
        );
        const [x0, y0] = c[0];
        // A pixel more on each side, so that no seam is seen between the pieces.
        const w = image.width / PIECES;
        const h = image.height / PIECES;
        g.drawImage(image, x0 - 1, y0 - 1, w + 2, h + 2, x0 - 1, y0 - 1, w + 2, h + 2);
        g.restore();
      }
    }
    g.restore();
  };
}

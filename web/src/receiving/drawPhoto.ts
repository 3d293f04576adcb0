import type { Over } from '../table/overlay';
import { toScreen } from '../table/viewport';
import { affine, apply } from './warp';

/** So many pieces a side are bent as a whole photograph is, to less than a pixel. */
const PIECES = 24;

/** Pieces overlap by this much on the screen, so that no seam is seen between them. */
const OVERLAP = 0.75;

/** Each corner a little farther from the middle. */
function grown(corners: readonly (readonly [number, number])[]): [number, number][] {
  const cx = corners.reduce((n, c) => n + c[0], 0) / corners.length;
  const cy = corners.reduce((n, c) => n + c[1], 0) / corners.length;
  return corners.map(([x, y]) => {
    const far = Math.hypot(x - cx, y - cy) || 1;
    return [x + ((x - cx) / far) * OVERLAP, y + ((y - cy) / far) * OVERLAP];
  });
}

/** A photograph laid on the board, faded between it and the films. */
export function drawPhoto(image: ImageBitmap, toBoard: readonly number[], fade: number): Over {
  const sheet = new OffscreenCanvas(1, 1);
  return (on, v) => {
    if (fade <= 0 || v.width < 1 || v.height < 1) {
      return;
    }
    const ratio = window.devicePixelRatio || 1;
    // Put together at full strength first: half-faded pieces would show where they overlap.
    sheet.width = Math.round(v.width * ratio);
    sheet.height = Math.round(v.height * ratio);
    const g = sheet.getContext('2d');
    if (!g) {
      return;
    }
    const at = (i: number, k: number): [number, number] => [
      (image.width * i) / PIECES,
      (image.height * k) / PIECES,
    ];
    const seen = (p: [number, number]): [number, number] => toScreen(v, ...apply(toBoard, ...p));
    const w = image.width / PIECES;
    const h = image.height / PIECES;
    for (let i = 0; i < PIECES; i++) {
      for (let k = 0; k < PIECES; k++) {
        const c = [at(i, k), at(i + 1, k), at(i + 1, k + 1), at(i, k + 1)] as const;
        const s = [seen(c[0]), seen(c[1]), seen(c[2]), seen(c[3])] as const;
        const m = affine([c[0], c[1], c[3]], [s[0], s[1], s[3]]);
        const xs = s.map((p) => p[0]);
        const ys = s.map((p) => p[1]);
        const away =
          Math.max(...xs) < 0 ||
          Math.max(...ys) < 0 ||
          Math.min(...xs) > v.width ||
          Math.min(...ys) > v.height;
        if (!m || away || s.some(([x, y]) => !Number.isFinite(x + y))) {
          continue;
        }
        g.save();
        g.setTransform(ratio, 0, 0, ratio, 0, 0);
        g.beginPath();
        grown(s).forEach(([x, y], n) => (n === 0 ? g.moveTo(x, y) : g.lineTo(x, y)));
        g.closePath();
        g.clip();
        g.transform(...m);
        const [x0, y0] = c[0];
        g.drawImage(image, x0 - 2, y0 - 2, w + 4, h + 4, x0 - 2, y0 - 2, w + 4, h + 4);
        g.restore();
      }
    }
    on.save();
    on.globalAlpha = Math.min(1, fade);
    on.drawImage(sheet, 0, 0, v.width, v.height);
    on.restore();
  };
}

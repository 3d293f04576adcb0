import type { KitStep, Parts } from '../api/client';
import { wedge, type Over } from '../table/overlay';
import { toScreen, type Viewport } from '../table/viewport';

function plate(g: CanvasRenderingContext2D, v: Viewport, outline: readonly number[]): void {
  g.beginPath();
  for (let i = 0; i + 1 < outline.length; i += 2) {
    const [x, y] = toScreen(v, outline[i] ?? 0, outline[i + 1] ?? 0);
    if (i === 0) {
      g.moveTo(x, y);
    } else {
      g.lineTo(x, y);
    }
  }
  g.closePath();
}

/**
 * The parts of a step lit, those done pale, with the pad to start on and the pin to mind; without a
 * step all of them with their pin 1.
 */
export function drawKit(parts: Parts, step: KitStep | null, done: ReadonlySet<string>): Over {
  const lit = new Map(step?.places.map((p) => [p.designator, p]));
  return (g, v) => {
    const side = v.flipped ? 'bottom' : 'top';
    g.font = '600 12px "Source Sans 3", sans-serif';
    for (const p of parts.parts) {
      if (!p.fitted || p.side !== side || p.outline.length < 8) {
        continue;
      }
      const place = lit.get(p.designator);
      plate(g, v, p.outline);
      if (place) {
        g.fillStyle = done.has(p.designator) ? 'rgba(61, 96, 52, 0.35)' : 'rgba(156, 74, 43, 0.72)';
        g.fill();
        g.lineWidth = 2.5;
        g.strokeStyle = done.has(p.designator) ? '#3d6034' : '#7a3417';
        g.stroke();
      } else {
        g.lineWidth = step ? 1 : 1.5;
        g.strokeStyle = step ? 'rgba(47, 42, 36, 0.35)' : '#1c5a63';
        g.stroke();
      }
      const [x, y] = toScreen(v, p.x, p.y);
      if (!step && typeof p.pin1X === 'number' && typeof p.pin1Y === 'number') {
        wedge(g, toScreen(v, p.pin1X, p.pin1Y), [x, y], 8);
      }
      if (!place) {
        continue;
      }
      if (typeof place.markX === 'number' && typeof place.markY === 'number') {
        wedge(g, toScreen(v, place.markX, place.markY), [x, y], 11);
      }
      if (typeof place.startX === 'number' && typeof place.startY === 'number') {
        const [sx, sy] = toScreen(v, place.startX, place.startY);
        g.beginPath();
        g.arc(sx, sy, 8, 0, 2 * Math.PI);
        g.lineWidth = 2.5;
        g.strokeStyle = '#1c5a63';
        g.stroke();
      }
      g.fillStyle = '#2f2a24';
      g.textAlign = 'center';
      g.textBaseline = 'bottom';
      const top = Math.min(
        ...[1, 3, 5, 7].map((i) => toScreen(v, p.outline[i - 1] ?? 0, p.outline[i] ?? 0)[1]),
      );
      g.fillText(p.designator + (done.has(p.designator) ? ' ✓' : ''), x, top - 4);
    }
  };
}

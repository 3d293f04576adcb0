import type { StencilResult } from '../api/client';
import type { Over } from '../table/overlay';
import { trace } from '../table/trace';
import { toScreen } from '../table/viewport';

/** Openings as they will be cut, over a dashed line of how they were drawn. */
export function drawStencil(stencil: StencilResult, chosen: string): Over {
  return (g, v) => {
    const side = stencil.sides.find((s) => s.side === (v.flipped ? 'bottom' : 'top'));
    if (stencil.align.length > 0) {
      trace(g, v, stencil.align);
      g.fillStyle = 'rgba(69, 86, 107, 0.78)';
      g.fill();
    }
    for (const o of side?.all ?? []) {
      const [x, y] = toScreen(v, o.x, o.y);
      if (x < -200 || y < -200 || x > v.width + 200 || y > v.height + 200) {
        continue;
      }
      if (!o.leftOut) {
        trace(g, v, o.changed ? o.after : o.before);
        g.fillStyle = o.fails ? 'rgba(125, 86, 0, 0.75)' : 'rgba(69, 86, 107, 0.78)';
        g.fill('evenodd');
      }
      if (o.changed) {
        trace(g, v, o.before);
        g.setLineDash([3, 2]);
        g.lineWidth = 1;
        g.strokeStyle = '#2f2a24';
        g.stroke();
        g.setLineDash([]);
      }
      if (o.fails || (chosen !== '' && o.part === chosen)) {
        trace(g, v, o.before);
        g.lineWidth = 2.5;
        g.strokeStyle = o.fails ? '#7d5600' : '#1c5a63';
        g.stroke();
      }
    }
  };
}

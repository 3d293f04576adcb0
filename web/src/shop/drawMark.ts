import type { OrderMark } from '../api/client';
import type { Over } from '../table/overlay';
import { toScreen } from '../table/viewport';

/** Half the room for an order mark, nm. */
const HALF = { x: 5e6, y: 1e6 };

/** The room for the house's order mark, dashed; fainter where it is on the far side. */
export function drawMark(mark: OrderMark): Over {
  return (g, v) => {
    const near = v.flipped === (mark.side === 'bottom');
    const [x, y] = [mark.xMm * 1e6, mark.yMm * 1e6];
    const corners = [
      toScreen(v, x - HALF.x, y - HALF.y),
      toScreen(v, x + HALF.x, y - HALF.y),
      toScreen(v, x + HALF.x, y + HALF.y),
      toScreen(v, x - HALF.x, y + HALF.y),
    ];
    g.beginPath();
    corners.forEach(([a, b], i) => (i === 0 ? g.moveTo(a, b) : g.lineTo(a, b)));
    g.closePath();
    g.globalAlpha = near ? 1 : 0.5;
    g.fillStyle = 'rgba(251, 248, 241, 0.75)';
    g.fill();
    g.setLineDash([4, 3]);
    g.lineWidth = 1.5;
    g.strokeStyle = '#1c5a63';
    g.stroke();
    g.setLineDash([]);
    g.globalAlpha = 1;
  };
}

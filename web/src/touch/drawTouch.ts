import type { Point } from '../store/view';
import { strokeCross } from '../table/cross';
import type { Over } from '../table/overlay';
import { toScreen, type Viewport } from '../table/viewport';
import type { Asking, Handle } from './scene';

const INK = '#1c5a63';
const PAPER = '#fffdf8';

export interface TouchDrawing {
  asking: Asking | null;
  draft: readonly Point[];
  cursor: Point | null;
  handles: readonly Handle[];
  held: Handle | null;
  places: readonly Point[];
  outline: { points: readonly Point[]; closed: boolean } | null;
}

/** The chosen touch with what can be dragged, and what is being pointed out. */
export function drawTouch(scene: TouchDrawing): Over {
  return (g, v) => {
    if (scene.outline) {
      path(g, v, scene.outline.points, scene.outline.closed, [6, 4]);
    }
    // Many places of one touch are small: the list says how many.
    scene.places.forEach((p) => place(g, v, p, scene.places.length > 30 ? 3 : 6));
    for (const h of scene.handles) {
      const at = scene.held?.key === h.key ? scene.held : h;
      square(g, v, at);
    }
    if (scene.asking) {
      path(g, v, scene.draft, scene.asking.shape === 'area' && scene.draft.length > 2, []);
      scene.draft.forEach((p) => square(g, v, p));
      if (scene.cursor) {
        cross(g, v, scene.cursor);
      }
    }
  };
}

function path(
  g: CanvasRenderingContext2D,
  v: Viewport,
  points: readonly Point[],
  closed: boolean,
  dash: number[],
): void {
  if (points.length < 2) {
    return;
  }
  g.beginPath();
  points.forEach((p, i) => {
    const [x, y] = toScreen(v, p.x, p.y);
    if (i === 0) {
      g.moveTo(x, y);
    } else {
      g.lineTo(x, y);
    }
  });
  if (closed) {
    g.closePath();
    g.fillStyle = 'rgba(28, 90, 99, 0.12)';
    g.fill();
  }
  g.setLineDash(dash);
  g.lineWidth = 2;
  g.strokeStyle = INK;
  g.stroke();
  g.setLineDash([]);
}

function square(g: CanvasRenderingContext2D, v: Viewport, at: Point): void {
  const [x, y] = toScreen(v, at.x, at.y);
  g.fillStyle = PAPER;
  g.strokeStyle = INK;
  g.lineWidth = 2;
  g.beginPath();
  g.rect(x - 5, y - 5, 10, 10);
  g.fill();
  g.stroke();
}

function place(g: CanvasRenderingContext2D, v: Viewport, at: Point, r: number): void {
  const [x, y] = toScreen(v, at.x, at.y);
  g.beginPath();
  g.arc(x, y, r, 0, 2 * Math.PI);
  g.lineWidth = 4;
  g.strokeStyle = PAPER;
  g.stroke();
  g.lineWidth = 2;
  g.strokeStyle = INK;
  g.stroke();
}

function cross(g: CanvasRenderingContext2D, v: Viewport, at: Point): void {
  const [x, y] = toScreen(v, at.x, at.y);
  g.lineWidth = 1.5;
  g.strokeStyle = INK;
  strokeCross(g, x, y, 14);
}

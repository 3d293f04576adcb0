import type { Rehearsal, MillSetup } from '../api/client';
import { strokeCross } from '../table/cross';
import { toScreen, type Viewport } from '../table/viewport';
import { trackUpTo } from './track';
import type { Area, useMill } from './scene';

type Scene = ReturnType<typeof useMill.getState>;

/** What the Mill station lays over the films. */
export function drawMill(g: CanvasRenderingContext2D, v: Viewport, scene: Scene): void {
  const ratio = window.devicePixelRatio || 1;
  g.setTransform(ratio, 0, 0, ratio, 0, 0);
  g.clearRect(0, 0, v.width, v.height);
  if (scene.tab === 'cutters' && scene.areas) {
    rings(g, v, scene.areas.unreached, hatch(g, UNREACHED, false), UNREACHED, 'evenodd');
    rings(g, v, scene.areas.joined, hatch(g, JOINED, true), JOINED, 'evenodd');
  }
  if (scene.tab === 'setup' && scene.setup) {
    scene.setup.rubOut?.forEach((a) => area(g, v, inNm(a), '#1c5a63', 'rub out'));
    scene.setup.leaveOut?.forEach((a) => area(g, v, inNm(a), '#7a2f5d', 'leave'));
  }
  if (scene.draft) {
    area(g, v, scene.draft, '#2f2a24', '');
  }
  if (scene.tab === 'level' && scene.heights) {
    heights(g, v, scene);
  }
  if (scene.tab === 'rehearse' && scene.rehearsal) {
    rehearsal(g, v, scene.rehearsal, scene);
  }
  if (scene.tab === 'bench') {
    bench(g, v, scene);
  }
}

/** What no cutter reaches: hatched; crosswise where nets stay joined by it. */
const UNREACHED = '#7a5c0c';
const JOINED = '#7a2f5d';

function hatch(
  g: CanvasRenderingContext2D,
  color: string,
  crossed: boolean,
): CanvasPattern | string {
  const tile = document.createElement('canvas');
  tile.width = 6;
  tile.height = 6;
  const t = tile.getContext('2d');
  if (!t) {
    return color;
  }
  t.strokeStyle = color;
  t.lineWidth = 1.4;
  t.beginPath();
  for (const at of [-6, 0, 6]) {
    t.moveTo(at, 6);
    t.lineTo(at + 6, 0);
    if (crossed) {
      t.moveTo(at, 0);
      t.lineTo(at + 6, 6);
    }
  }
  t.stroke();
  return g.createPattern(tile, 'repeat') ?? color;
}

function rings(
  g: CanvasRenderingContext2D,
  v: Viewport,
  all: number[][],
  fill: string | CanvasPattern,
  stroke: string,
  rule: CanvasFillRule,
): void {
  const path = new Path2D();
  for (const ring of all) {
    for (let i = 0; i + 1 < ring.length; i += 2) {
      const [x, y] = toScreen(v, ring[i] ?? 0, ring[i + 1] ?? 0);
      if (i === 0) {
        path.moveTo(x, y);
      } else {
        path.lineTo(x, y);
      }
    }
    path.closePath();
  }
  g.fillStyle = fill;
  g.fill(path, rule);
  if (stroke) {
    g.strokeStyle = stroke;
    g.lineWidth = 1.4;
    g.stroke(path);
  }
}

function inNm(a: NonNullable<MillSetup['rubOut']>[number]): Area {
  return {
    minX: a.minXMm * 1e6,
    minY: a.minYMm * 1e6,
    maxX: a.maxXMm * 1e6,
    maxY: a.maxYMm * 1e6,
  };
}

function area(
  g: CanvasRenderingContext2D,
  v: Viewport,
  a: Area,
  color: string,
  text: string,
): void {
  const [x0, y0] = toScreen(v, a.minX, a.minY);
  const [x1, y1] = toScreen(v, a.maxX, a.maxY);
  g.strokeStyle = color;
  g.lineWidth = 2;
  g.setLineDash([8, 4]);
  g.strokeRect(Math.min(x0, x1), Math.min(y0, y1), Math.abs(x1 - x0), Math.abs(y1 - y0));
  g.setLineDash([]);
  g.fillStyle = color;
  g.font = '600 12px "Source Sans 3", sans-serif';
  g.textAlign = 'left';
  g.textBaseline = 'top';
  g.fillText(text, Math.min(x0, x1) + 5, Math.min(y0, y1) + 4);
}

/** Probed points: low ones blue, high ones red, the height beside each in µm. */
function heights(g: CanvasRenderingContext2D, v: Viewport, scene: Scene): void {
  const h = scene.heights;
  if (!h) {
    return;
  }
  const span = Math.max(1, h.highest - h.lowest);
  const [ax] = toScreen(v, 0, 0);
  const [bx] = toScreen(v, (h.maxX - h.minX) / Math.max(1, h.columns - 1), 0);
  const roomy = Math.abs(bx - ax) > 44;
  h.places.forEach((p, i) => {
    const [x, y] = toScreen(v, p.x, p.y);
    const z = h.z[i];
    if (z === undefined) {
      g.strokeStyle = '#2f2a24';
      g.lineWidth = 1.5;
      strokeCross(g, x, y, 5);
      return;
    }
    const t = (z - h.lowest) / span;
    g.fillStyle = `rgb(${Math.round(40 + 160 * t)}, ${Math.round(80 - 20 * t)}, ${Math.round(150 - 110 * t)})`;
    g.strokeStyle = '#fffdf8';
    g.lineWidth = 1.5;
    g.beginPath();
    g.arc(x, y, 6, 0, 2 * Math.PI);
    g.fill();
    g.stroke();
    if (roomy) {
      const text = (z / 1000).toFixed(0);
      g.font = '600 11px "Source Code Pro", monospace';
      g.textAlign = 'left';
      g.textBaseline = 'middle';
      g.lineWidth = 3;
      g.strokeText(text, x + 9, y);
      g.fillStyle = '#2f2a24';
      g.fillText(text, x + 9, y);
    }
  });
  for (const p of h.odd) {
    const [x, y] = toScreen(v, p.x, p.y);
    g.strokeStyle = '#93281a';
    g.lineWidth = 2.5;
    g.beginPath();
    g.arc(x, y, 13, 0, 2 * Math.PI);
    g.stroke();
  }
}

function rehearsal(g: CanvasRenderingContext2D, v: Viewport, r: Rehearsal, scene: Scene): void {
  const whole = scene.minute >= r.minutes - 1e-9;
  const copper = r.copper.find((c) => c.side === scene.side) ?? r.copper[0];
  if (r.copper.length > 1) {
    // The films of the other side would shine through the channels of this one.
    g.fillStyle = 'rgba(251, 246, 234, 0.78)';
    g.fillRect(0, 0, v.width, v.height);
  }
  if (whole && copper) {
    rings(g, v, copper.remaining, 'rgba(178, 106, 46, 0.62)', '', 'evenodd');
  }
  let at: [number, number] | null = null;
  for (const track of r.tracks) {
    const done = trackUpTo(track.points, scene.minute);
    if (done.cut.length > 0 && !whole) {
      strokes(g, v, done.cut, track.width, 'rgba(47, 42, 36, 0.6)');
    }
    if (done.at) {
      at = done.at;
    }
  }
  if (at && !whole) {
    cutter(g, v, at[0], at[1]);
  }
}

/** Pieces of way x, y, x, y …, each as wide as its tool cuts. */
function strokes(
  g: CanvasRenderingContext2D,
  v: Viewport,
  cut: readonly (readonly number[])[],
  width: number,
  color: string,
): void {
  const path = new Path2D();
  for (const line of cut) {
    let px = Infinity;
    let py = Infinity;
    for (let i = 0; i + 1 < line.length; i += 2) {
      const [x, y] = toScreen(v, line[i] ?? 0, line[i + 1] ?? 0);
      if (i === 0) {
        path.moveTo(x, y);
        path.lineTo(x + 0.01, y);
      } else if (Math.abs(x - px) + Math.abs(y - py) > 0.4 || i + 3 >= line.length) {
        path.lineTo(x, y);
      } else {
        continue;
      }
      px = x;
      py = y;
    }
  }
  g.lineCap = 'round';
  g.lineJoin = 'round';
  g.strokeStyle = color;
  g.lineWidth = Math.max(1, width * v.scale);
  g.stroke(path);
  g.lineCap = 'butt';
}

function cutter(g: CanvasRenderingContext2D, v: Viewport, x: number, y: number): void {
  const [sx, sy] = toScreen(v, x, y);
  for (const [color, width] of [
    ['#fffdf8', 5],
    ['#b4361f', 2.5],
  ] as const) {
    g.strokeStyle = color;
    g.lineWidth = width;
    g.beginPath();
    g.arc(sx, sy, 9, 0, 2 * Math.PI);
    g.moveTo(sx, sy - 14);
    g.lineTo(sx, sy - 4);
    g.moveTo(sx, sy + 4);
    g.lineTo(sx, sy + 14);
    g.stroke();
  }
}

function bench(g: CanvasRenderingContext2D, v: Viewport, scene: Scene): void {
  const byTool = new Map<number, number[][]>();
  const t = scene.trail;
  let line: number[] | null = null;
  let tool = -1;
  for (let i = 0; i + 3 < t.length; i += 4) {
    const down = (t[i + 2] ?? 0) > 0;
    const now = t[i + 3] ?? 0;
    if (!down || now !== tool) {
      line = null;
    }
    tool = now;
    if (down) {
      if (!line) {
        line = [];
        byTool.set(now, [...(byTool.get(now) ?? []), line]);
      }
      line.push(t[i] ?? 0, t[i + 1] ?? 0);
    }
  }
  byTool.forEach((lines, n) =>
    strokes(g, v, lines, scene.widths[n] ?? 2e5, 'rgba(47, 42, 36, 0.6)'),
  );
  if (scene.cutter) {
    cutter(g, v, scene.cutter.x, scene.cutter.y);
  }
}

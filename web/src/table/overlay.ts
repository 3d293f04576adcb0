import type { Finding, Parts, Paths } from '../api/client';
import type { Measured, Point } from '../store/view';
import { length, nmPer, type Unit } from '../units';
import { gridStep, toBoard, toScreen, type Viewport } from './viewport';

/** Draws something of a station's own. */
export type Over = (g: CanvasRenderingContext2D, view: Viewport) => void;

/** What is drawn over the films. */
export interface OverlayScene {
  unit: Unit;
  findings: readonly Finding[];
  finding: string | null;
  measures: readonly Measured[];
  pending: { from: Point | null; at: Point | null; caught: string };
  parts: Parts | null;
  part: string | null;
  over: Over | null;
  paths: Paths | null;
  grid: boolean;
  marks: readonly Point[];
}

const COLORS: Record<string, string> = { stop: '#93281a', look: '#7d5600', note: '#45566b' };
const FONT = '600 12px "Source Code Pro", monospace';

/** Flags, calipers, measures, parts and tool paths, on a plain canvas above the films. */
export function drawOverlay(
  g: CanvasRenderingContext2D,
  view: Viewport,
  scene: OverlayScene,
): void {
  const ratio = window.devicePixelRatio || 1;
  g.setTransform(ratio, 0, 0, ratio, 0, 0);
  g.clearRect(0, 0, view.width, view.height);
  if (scene.grid) {
    drawGrid(g, view, scene.unit);
  }
  for (const m of scene.marks) {
    drawMark(g, view, m);
  }
  if (scene.paths) {
    drawPaths(g, view, scene.paths);
  }
  scene.over?.(g, view);
  if (scene.parts) {
    drawParts(g, view, scene.parts, scene.part);
  }
  for (const m of scene.measures) {
    drawMeasure(g, view, m.from, m.to, scene.unit);
    if (m.gap) {
      drawGap(g, view, m.gap, scene.unit);
    }
  }
  const { from, at } = scene.pending;
  if (at) {
    drawCatch(g, view, at, scene.pending.caught);
    if (from) {
      drawMeasure(g, view, from, at, scene.unit);
    }
  }
  for (const f of scene.findings) {
    if (f.id !== scene.finding) {
      drawFlag(g, view, f, false);
    }
  }
  const chosen = scene.findings.find((f) => f.id === scene.finding);
  if (chosen) {
    drawAlso(g, view, chosen);
    drawCaliper(g, view, chosen, scene.unit);
    drawFlag(g, view, chosen, true);
  }
}

/** Lines a round number of units apart, every tenth stronger, and how far apart they are. */
function drawGrid(g: CanvasRenderingContext2D, v: Viewport, unit: Unit): void {
  const step = gridStep(v.scale, nmPer(unit));
  const [ax, ay] = toBoard(v, 0, 0);
  const [bx, by] = toBoard(v, v.width, v.height);
  for (const strong of [false, true]) {
    g.strokeStyle = strong ? 'rgba(60, 50, 38, 0.28)' : 'rgba(60, 50, 38, 0.12)';
    g.lineWidth = 1;
    g.beginPath();
    for (const across of [true, false]) {
      const low = across ? Math.min(ax, bx) : Math.min(ay, by);
      const high = across ? Math.max(ax, bx) : Math.max(ay, by);
      for (let n = Math.ceil(low / step); n * step <= high; n++) {
        if ((n % 10 === 0) === strong) {
          const at = n * step;
          const from = across ? toScreen(v, at, ay) : toScreen(v, ax, at);
          const to = across ? toScreen(v, at, by) : toScreen(v, bx, at);
          g.moveTo(...from);
          g.lineTo(...to);
        }
      }
    }
    g.stroke();
  }
  label(g, v.width - 62, v.height - 16, `grid ${length(step, unit)}`, 'right');
}

/** A ring around a place that something was found or changed at. */
function drawMark(g: CanvasRenderingContext2D, v: Viewport, at: Point): void {
  const [x, y] = toScreen(v, at.x, at.y);
  for (const [color, width] of [
    ['#fffdf8', 4.5],
    ['#7a2f5d', 2],
  ] as const) {
    g.strokeStyle = color;
    g.lineWidth = width;
    g.beginPath();
    g.arc(x, y, 13, 0, 2 * Math.PI);
    g.stroke();
  }
}

function drawFlag(g: CanvasRenderingContext2D, v: Viewport, f: Finding, chosen: boolean): void {
  const [x, y] = toScreen(v, f.at.x, f.at.y);
  const color = f.signOff ? '#3d6034' : (COLORS[f.severity] ?? '#45566b');
  const text = String(f.number);
  const w = 12 + 7 * text.length;
  g.lineWidth = chosen ? 2.5 : 1.5;
  g.strokeStyle = color;
  g.fillStyle = chosen ? color : '#fffdf8';
  g.beginPath();
  g.moveTo(x, y);
  g.lineTo(x, y - 26);
  g.stroke();
  // A pennant for a stop, a swallow tail for a look, a plain flag for a note.
  const tail = f.severity === 'stop' ? 6 : f.severity === 'look' ? -5 : 0;
  g.beginPath();
  g.moveTo(x, y - 26);
  g.lineTo(x + w, y - 26);
  g.lineTo(x + w + tail, y - 18);
  g.lineTo(x + w, y - 10);
  g.lineTo(x, y - 10);
  g.closePath();
  g.fill();
  g.stroke();
  g.fillStyle = chosen ? '#fffdf8' : color;
  g.font = FONT;
  g.textAlign = 'left';
  g.textBaseline = 'middle';
  g.fillText(text, x + 6, y - 17.5);
}

/** Further places of a finding: dashed lines for links and strokes, small rings for points. */
function drawAlso(g: CanvasRenderingContext2D, v: Viewport, f: Finding): void {
  for (const [color, width] of [
    ['#fffdf8', 4],
    [COLORS[f.severity] ?? '#45566b', 1.8],
  ] as const) {
    g.strokeStyle = color;
    g.lineWidth = width;
    for (const m of f.also) {
      const [ax, ay] = toScreen(v, m.from.x, m.from.y);
      const [bx, by] = toScreen(v, m.to.x, m.to.y);
      g.setLineDash(ax === bx && ay === by ? [] : [7, 5]);
      g.beginPath();
      if (ax === bx && ay === by) {
        g.arc(ax, ay, 7, 0, 2 * Math.PI);
      } else {
        g.moveTo(ax, ay);
        g.lineTo(bx, by);
      }
      g.stroke();
    }
  }
  g.setLineDash([]);
}

/** The two points measured, and the measure between them. */
function drawCaliper(g: CanvasRenderingContext2D, v: Viewport, f: Finding, unit: Unit): void {
  const [ax, ay] = toScreen(v, f.from.x, f.from.y);
  const [bx, by] = toScreen(v, f.to.x, f.to.y);
  if (Math.hypot(bx - ax, by - ay) < 0.5 && f.from.x === f.to.x && f.from.y === f.to.y) {
    g.strokeStyle = '#2f2a24';
    g.lineWidth = 1.5;
    g.beginPath();
    g.arc(ax, ay, 16, 0, 2 * Math.PI);
    g.stroke();
    return;
  }
  const text = f.unit === 'mm' ? length(f.measured * 1e6, unit) : `${f.measured} ${f.unit}`;
  if (f.rule === 'open') {
    label(g, (ax + bx) / 2, (ay + by) / 2 + 18, text);
    return;
  }
  jaws(g, ax, ay, bx, by);
  label(g, (ax + bx) / 2, (ay + by) / 2 + 34, text);
}

function jaws(g: CanvasRenderingContext2D, ax: number, ay: number, bx: number, by: number): void {
  const d = Math.hypot(bx - ax, by - ay) || 1;
  const nx = (-(by - ay) / d) * 14;
  const ny = ((bx - ax) / d) * 14;
  for (const [color, width] of [
    ['#fffdf8', 4],
    ['#2f2a24', 1.6],
  ] as const) {
    g.strokeStyle = color;
    g.lineWidth = width;
    g.beginPath();
    g.moveTo(ax - nx, ay - ny);
    g.lineTo(ax + nx, ay + ny);
    g.moveTo(bx - nx, by - ny);
    g.lineTo(bx + nx, by + ny);
    g.moveTo(ax, ay);
    g.lineTo(bx, by);
    g.stroke();
  }
}

function label(
  g: CanvasRenderingContext2D,
  x: number,
  y: number,
  text: string,
  side: 'center' | 'right' = 'center',
): void {
  g.font = FONT;
  const w = g.measureText(text).width + 12;
  const middle = side === 'right' ? x + 54 - w / 2 : x;
  g.fillStyle = '#2f2a24';
  g.fillRect(middle - w / 2, y - 10, w, 20);
  g.fillStyle = '#fffdf8';
  g.textAlign = 'center';
  g.textBaseline = 'middle';
  g.fillText(text, middle, y + 0.5);
}

function drawMeasure(
  g: CanvasRenderingContext2D,
  v: Viewport,
  from: Point,
  to: Point,
  unit: Unit,
): void {
  const [ax, ay] = toScreen(v, from.x, from.y);
  const [bx, by] = toScreen(v, to.x, to.y);
  jaws(g, ax, ay, bx, by);
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  const d = Math.hypot(to.x - from.x, to.y - from.y);
  label(g, (ax + bx) / 2, (ay + by) / 2 + 22, `${length(d, unit)}  ${angle.toFixed(1)}°`);
}

/** From edge to edge, where a measure lies between two pieces of copper. */
function drawGap(
  g: CanvasRenderingContext2D,
  v: Viewport,
  gap: NonNullable<Measured['gap']>,
  unit: Unit,
): void {
  const [ax, ay] = toScreen(v, gap.from.x, gap.from.y);
  const [bx, by] = toScreen(v, gap.to.x, gap.to.y);
  for (const [color, width] of [
    ['#fffdf8', 5],
    ['#7a2f5d', 2.5],
  ] as const) {
    g.strokeStyle = color;
    g.lineWidth = width;
    g.beginPath();
    g.moveTo(ax, ay);
    g.lineTo(bx, by);
    g.stroke();
  }
  label(g, (ax + bx) / 2, (ay + by) / 2 - 22, `gap ${length(gap.nm, unit)}`);
}

function drawCatch(g: CanvasRenderingContext2D, v: Viewport, at: Point, caught: string): void {
  const [x, y] = toScreen(v, at.x, at.y);
  g.strokeStyle = '#1c5a63';
  g.lineWidth = 2;
  g.beginPath();
  if (caught === 'edge') {
    g.rect(x - 5, y - 5, 10, 10);
  } else if (caught === 'none') {
    g.moveTo(x - 6, y);
    g.lineTo(x + 6, y);
    g.moveTo(x, y - 6);
    g.lineTo(x, y + 6);
  } else {
    g.arc(x, y, 7, 0, 2 * Math.PI);
    g.moveTo(x - 3, y);
    g.lineTo(x + 3, y);
    g.moveTo(x, y - 3);
    g.lineTo(x, y + 3);
  }
  g.stroke();
}

/** A cross at each part's centre, an arm to where its rotation points, a wedge on pin 1. */
function drawParts(
  g: CanvasRenderingContext2D,
  v: Viewport,
  parts: Parts,
  chosen: string | null,
): void {
  g.font = '600 11px "Source Sans 3", sans-serif';
  for (const p of parts.parts) {
    const [x, y] = toScreen(v, p.x, p.y);
    const isChosen = p.designator === chosen;
    const color = !p.fitted ? '#8a7f6d' : p.side === 'bottom' ? '#1c5a63' : '#2f2a24';
    const arm = Math.max(5, Math.min(14, 0.9e6 * v.scale));
    const a = (p.rotationDeg * Math.PI) / 180;
    const [tx, ty] = toScreen(
      v,
      p.x + (Math.cos(a) * arm * 1.9) / v.scale,
      p.y + (Math.sin(a) * arm * 1.9) / v.scale,
    );
    if (p.outline.length === 8) {
      body(g, v, p, isChosen);
    }
    if (!p.fitted) {
      // Left off: the empty outline alone.
      if (isChosen || v.scale > 1.3e-5) {
        g.fillStyle = color;
        g.fillText(p.designator, x - 6, y + 4);
      }
      continue;
    }
    g.strokeStyle = color;
    g.lineWidth = isChosen ? 3 : 1.5;
    g.beginPath();
    g.moveTo(x - arm, y);
    g.lineTo(x + arm, y);
    g.moveTo(x, y - arm);
    g.lineTo(x, y + arm);
    g.stroke();
    g.beginPath();
    g.moveTo(x, y);
    g.lineTo(tx, ty);
    g.stroke();
    if (typeof p.pin1X === 'number' && typeof p.pin1Y === 'number') {
      wedge(g, toScreen(v, p.pin1X, p.pin1Y), [x, y], isChosen ? 9 : 6);
    }
    if (isChosen || v.scale > 1.3e-5) {
      g.fillStyle = color;
      g.textAlign = 'left';
      g.textBaseline = 'bottom';
      g.fillText(p.designator, x + 4, y - 3);
    }
  }
}

/** A part's body: a pale plate where it stands, an empty outline where it is left off. */
function body(
  g: CanvasRenderingContext2D,
  v: Viewport,
  p: Parts['parts'][number],
  chosen: boolean,
): void {
  g.beginPath();
  for (let i = 0; i < 8; i += 2) {
    const [x, y] = toScreen(v, p.outline[i] ?? 0, p.outline[i + 1] ?? 0);
    if (i === 0) {
      g.moveTo(x, y);
    } else {
      g.lineTo(x, y);
    }
  }
  g.closePath();
  if (p.fitted) {
    g.fillStyle = chosen ? 'rgba(156, 74, 43, 0.38)' : 'rgba(47, 42, 36, 0.16)';
    g.fill();
  } else {
    g.strokeStyle = chosen ? '#9c4a2b' : '#6b6153';
    g.lineWidth = chosen ? 2.5 : 1.2;
    g.setLineDash([4, 3]);
    g.stroke();
    g.setLineDash([]);
  }
}

/** Pin 1: a wedge that fills the pad's corner away from the part's middle. */
export function wedge(
  g: CanvasRenderingContext2D,
  [x, y]: readonly [number, number],
  [mx, my]: readonly [number, number],
  size: number,
): void {
  const right = x >= mx ? 1 : -1;
  const down = y >= my ? 1 : -1;
  const corner = [x + (right * size) / 2, y + (down * size) / 2] as const;
  g.beginPath();
  g.moveTo(corner[0], corner[1]);
  g.lineTo(corner[0] - right * size, corner[1]);
  g.lineTo(corner[0], corner[1] - down * size);
  g.closePath();
  g.fillStyle = '#2f2a24';
  g.fill();
  g.strokeStyle = '#fffdf8';
  g.lineWidth = 1;
  g.stroke();
}

/** Tool paths in their true width, with the tool's centre line. */
function drawPaths(g: CanvasRenderingContext2D, v: Viewport, paths: Paths): void {
  const trace = new Path2D();
  for (const path of paths.paths) {
    let before: [number, number] | null = null;
    for (let i = 0; i + 2 < path.length; i += 3) {
      const at = toScreen(v, path[i] ?? 0, path[i + 1] ?? 0);
      if (!before) {
        trace.moveTo(at[0], at[1]);
        trace.lineTo(at[0] + 0.01, at[1]);
      } else if (Math.abs(at[0] - before[0]) + Math.abs(at[1] - before[1]) > 0.4) {
        trace.lineTo(at[0], at[1]);
      } else {
        continue;
      }
      before = at;
    }
  }
  g.lineCap = 'round';
  g.lineJoin = 'round';
  g.strokeStyle = 'rgba(74, 112, 60, 0.45)';
  g.lineWidth = Math.max(1, paths.widthNm * v.scale);
  g.stroke(trace);
  g.strokeStyle = '#31501f';
  g.lineWidth = 0.8;
  g.stroke(trace);
  g.lineCap = 'butt';
}

import type { PanelResult } from '../api/client';
import { tableColor } from '../table/Renderer';
import { trace } from '../table/trace';
import { toScreen, type Viewport } from '../table/viewport';
import { boxOf, onPanel, ringsOf, type PlacedBoard } from './places';
import { placing, type Sprite } from './sprite';

const INK = '#2f2a24';
const PETROL = '#1c5a63';

function round(
  g: CanvasRenderingContext2D,
  v: Viewport,
  at: { x: number; y: number },
  nm: number,
): void {
  const [x, y] = toScreen(v, at.x, at.y);
  g.beginPath();
  g.arc(x, y, Math.max(1.2, (nm * v.scale) / 2), 0, 2 * Math.PI);
}

/** What of a panel is drawn. */
export interface Scene {
  panel: PanelResult;
  /** The boards as they lie now, one of them perhaps on its way. */
  boards: readonly PlacedBoard[];
  sprite: Sprite | null;
  selected: number | null;
  /** Whether a board is being moved: what joins them is not known until it is put down. */
  moving: boolean;
  lamp: number;
  /** Places that findings are about, nm. */
  flags: readonly { number: number; x: number; y: number; severity: string }[];
}

/** The panel on the lit table: its material, each board's films, and where it is broken. */
export function drawPanel(g: CanvasRenderingContext2D, v: Viewport, s: Scene): void {
  g.fillStyle = tableColor(s.lamp);
  g.fillRect(0, 0, v.width, v.height);
  const { panel } = s;
  trace(g, v, panel.edge);
  g.globalAlpha = s.moving ? 0.35 : 1;
  g.fillStyle = 'rgba(190, 168, 120, 0.34)';
  g.fill('evenodd');
  g.strokeStyle = INK;
  g.lineWidth = 1;
  g.stroke();
  g.globalAlpha = 1;
  const base = g.getTransform();
  for (const b of s.boards) {
    const own = b.pack === '';
    if (own && s.sprite) {
      const m = placing(s.sprite, (x, y) => toScreen(v, ...onPanel(b, x, y)));
      g.setTransform(base.multiply(DOMMatrix.fromMatrix(m)));
      g.drawImage(s.sprite.image, 0, 0);
      g.setTransform(base);
    }
    trace(g, v, ringsOf(panel, b));
    if (!own) {
      g.fillStyle = 'rgba(255, 253, 248, 0.75)';
      g.fill('evenodd');
    }
    g.lineWidth = b.number === s.selected ? 3 : 1;
    g.strokeStyle = b.number === s.selected ? PETROL : INK;
    g.stroke();
  }
  if (!s.moving) {
    breaks(g, v, panel);
  }
  for (const b of s.boards) {
    name(g, v, panel, b, b.number === s.selected);
  }
  for (const f of s.flags) {
    flag(g, v, f);
  }
}

function breaks(g: CanvasRenderingContext2D, v: Viewport, panel: PanelResult): void {
  for (const t of panel.tabs) {
    for (const at of t.bites) {
      round(g, v, at, panel.biteNm);
      g.fillStyle = '#fffdf8';
      g.fill();
      g.lineWidth = 1;
      g.strokeStyle = INK;
      g.stroke();
    }
  }
  g.strokeStyle = '#7a2f5d';
  g.lineWidth = 1.6;
  g.setLineDash([9, 3, 2, 3]);
  for (const line of panel.scores) {
    g.beginPath();
    g.moveTo(...toScreen(v, line[0] ?? 0, line[1] ?? 0));
    g.lineTo(...toScreen(v, line[2] ?? 0, line[3] ?? 0));
    g.stroke();
  }
  g.setLineDash([]);
  for (const at of panel.marks) {
    round(g, v, at, 2e6);
    g.fillStyle = '#fffdf8';
    g.fill();
    round(g, v, at, 1e6);
    g.fillStyle = '#b5623a';
    g.fill();
  }
  for (const at of panel.tooling) {
    round(g, v, at, panel.toolingNm);
    g.fillStyle = '#fffdf8';
    g.fill();
    g.strokeStyle = INK;
    g.lineWidth = 1.2;
    g.stroke();
  }
}

function name(
  g: CanvasRenderingContext2D,
  v: Viewport,
  panel: PanelResult,
  b: PlacedBoard,
  selected: boolean,
): void {
  const ring = ringsOf(panel, b)[0] ?? [];
  let [x, y, n] = [0, 0, 0];
  for (let i = 0; i + 1 < ring.length; i += 2) {
    x += ring[i] ?? 0;
    y += ring[i + 1] ?? 0;
    n++;
  }
  const [px, py] = toScreen(v, x / Math.max(1, n), y / Math.max(1, n));
  g.font = '600 13px "Source Sans 3", sans-serif';
  const box = boxOf(panel, b);
  const full = b.pack === '' ? String(b.number) : `${b.number} ${b.pack}`;
  const fits = g.measureText(full).width + 14 < (box.maxX - box.minX) * v.scale;
  const text = fits ? full : String(b.number);
  const w = g.measureText(text).width + 10;
  g.fillStyle = selected ? PETROL : 'rgba(255, 253, 248, 0.9)';
  g.fillRect(px - w / 2, py - 10, w, 20);
  g.fillStyle = selected ? '#fffdf8' : INK;
  g.textAlign = 'center';
  g.textBaseline = 'middle';
  g.fillText(text, px, py);
}

function flag(
  g: CanvasRenderingContext2D,
  v: Viewport,
  f: { number: number; x: number; y: number; severity: string },
): void {
  const [x, y] = toScreen(v, f.x, f.y);
  const color = f.severity === 'stop' ? '#93281a' : '#7d5600';
  const text = String(f.number);
  g.strokeStyle = color;
  g.fillStyle = '#fffdf8';
  g.lineWidth = 1.6;
  g.beginPath();
  g.moveTo(x, y);
  g.lineTo(x, y - 26);
  g.stroke();
  g.beginPath();
  g.rect(x, y - 26, 12 + 7 * text.length, 16);
  g.fill();
  g.stroke();
  g.fillStyle = color;
  g.font = '600 12px "Source Sans 3", sans-serif';
  g.textAlign = 'left';
  g.textBaseline = 'middle';
  g.fillText(text, x + 6, y - 18);
}

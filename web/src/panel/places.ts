import type { PanelResult } from '../api/client';
import type { Extent } from '../table/viewport';

export type PlacedBoard = PanelResult['boards'][number];

/** Where a place of a board's pack comes to lie on the panel. */
export function onPanel(b: PlacedBoard, x: number, y: number): [number, number] {
  const a = (b.rotationDeg * Math.PI) / 180;
  const c = Math.cos(a);
  const s = Math.sin(a);
  return [b.x + x * c - y * s, b.y + x * s + y * c];
}

/** The rings of a board as it lies, flat x and y. */
export function ringsOf(panel: PanelResult, b: PlacedBoard): number[][] {
  return (panel.outlines[b.pack] ?? []).map((ring) => {
    const out: number[] = [];
    for (let i = 0; i + 1 < ring.length; i += 2) {
      out.push(...onPanel(b, ring[i] ?? 0, ring[i + 1] ?? 0));
    }
    return out;
  });
}

/** The box about a board as it lies; shifted or turned, it may be elsewhere than the answer has it. */
export function boxOf(panel: PanelResult, b: PlacedBoard): Extent {
  const told = panel.boards.find(
    (x) => x.number === b.number && x.rotationDeg === b.rotationDeg && x.maxX > x.minX,
  );
  if (told) {
    const [dx, dy] = [b.x - told.x, b.y - told.y];
    return {
      minX: told.minX + dx,
      minY: told.minY + dy,
      maxX: told.maxX + dx,
      maxY: told.maxY + dy,
    };
  }
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const ring of ringsOf(panel, b)) {
    for (let i = 0; i + 1 < ring.length; i += 2) {
      box.minX = Math.min(box.minX, ring[i] ?? 0);
      box.maxX = Math.max(box.maxX, ring[i] ?? 0);
      box.minY = Math.min(box.minY, ring[i + 1] ?? 0);
      box.maxY = Math.max(box.maxY, ring[i + 1] ?? 0);
    }
  }
  return box;
}

/** The board at a place: the one whose box holds it, the last drawn first. */
export function boardAt(panel: PanelResult, x: number, y: number): PlacedBoard | null {
  for (const b of [...panel.boards].reverse()) {
    const box = boxOf(panel, b);
    if (x >= box.minX && x <= box.maxX && y >= box.minY && y <= box.maxY) {
      return b;
    }
  }
  return null;
}

/**
 * How a board that was dragged is best laid: in line with the edges of others, or a gap beside
 * them, where one is within reach; else on whole tenths of a millimetre.
 */
export function caught(
  box: Extent,
  others: readonly Extent[],
  gap: number,
  reach: number,
): [number, number] {
  const along = (low: 'minX' | 'minY', high: 'maxX' | 'maxY'): number => {
    let best: number | null = null;
    const offer = (by: number) => {
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best))) {
        best = by;
      }
    };
    for (const o of others) {
      offer(o[low] - box[low]);
      offer(o[high] - box[high]);
      offer(o[high] + gap - box[low]);
      offer(o[low] - gap - box[high]);
    }
    const tenth = 1e5;
    return best ?? Math.round(box[low] / tenth) * tenth - box[low];
  };
  return [along('minX', 'maxX'), along('minY', 'maxY')];
}

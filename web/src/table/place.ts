import Flatbush from 'flatbush';

/** What of a layer lies at a place: the piece drawn last there, by its net; −1 for no copper. */
export interface Placed {
  net: number;
}

/** A piece's words begin at {@code at}; its box, nm. */
interface Box {
  at: number;
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/**
 * Finds what lies at a place of a layer, in the page. It reads the layer as the server sends it
 * (see `unpack`): boxes in a tree first, then the shapes themselves, to the nanometre.
 */
export class PlaceIndex {
  private readonly words: Int32Array;
  private readonly boxes: Box[];
  private readonly tree: Flatbush | null;

  constructor(buffer: ArrayBuffer) {
    this.words = new Int32Array(buffer);
    this.boxes = boxesOf(this.words);
    this.tree = this.boxes.length > 0 ? new Flatbush(this.boxes.length) : null;
    this.boxes.forEach((b) => this.tree?.add(b.minX, b.minY, b.maxX, b.maxY));
    this.tree?.finish();
  }

  /** The piece at a place, nm; null where there is none. */
  at(x: number, y: number): Placed | null {
    const near = this.tree?.search(x, y, x, y) ?? [];
    near.sort((a, b) => b - a);
    for (const i of near) {
      const box = this.boxes[i];
      if (box && this.covers(box.at, x, y)) {
        return { net: this.words[box.at] ?? -1 };
      }
    }
    return null;
  }

  private covers(piece: number, x: number, y: number): boolean {
    const w = this.words;
    const rings = w[piece + 1] ?? 0;
    let at = piece + 2;
    if (rings < 0) {
      const [x0 = 0, y0 = 0, x1 = 0, y1 = 0, r = 0] = w.subarray(at, at + 5);
      const dx = x1 - x0;
      const dy = y1 - y0;
      const squared = dx * dx + dy * dy;
      const t = squared === 0 ? 0 : ((x - x0) * dx + (y - y0) * dy) / squared;
      const k = Math.min(1, Math.max(0, t));
      return Math.hypot(x - x0 - k * dx, y - y0 - k * dy) <= r;
    }
    // Even and odd over all rings: within the outer one and within no hole.
    let inside = false;
    for (let ring = 0; ring < rings; ring++) {
      const points = w[at++] ?? 0;
      for (let i = 1; i < points; i++) {
        const ax = w[at + 2 * i - 2] ?? 0;
        const ay = w[at + 2 * i - 1] ?? 0;
        const bx = w[at + 2 * i] ?? 0;
        const by = w[at + 2 * i + 1] ?? 0;
        if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) {
          inside = !inside;
        }
      }
      at += 2 * points;
    }
    return inside;
  }
}

function boxesOf(words: Int32Array): Box[] {
  const boxes: Box[] = [];
  let at = 1;
  for (let i = 0; i < (words[0] ?? 0); i++) {
    const box = { at, minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
    const grow = (from: number, points: number, by: number) => {
      for (let k = from; k < from + 2 * points; k += 2) {
        box.minX = Math.min(box.minX, (words[k] ?? 0) - by);
        box.maxX = Math.max(box.maxX, (words[k] ?? 0) + by);
        box.minY = Math.min(box.minY, (words[k + 1] ?? 0) - by);
        box.maxY = Math.max(box.maxY, (words[k + 1] ?? 0) + by);
      }
    };
    const rings = words[at + 1] ?? 0;
    at += 2;
    if (rings < 0) {
      grow(at, 2, words[at + 4] ?? 0);
      at += 5;
    }
    for (let ring = 0; ring < rings; ring++) {
      const points = words[at] ?? 0;
      if (ring === 0) {
        grow(at + 1, points, 0);
      }
      at += 1 + 2 * points;
    }
    boxes.push(box);
  }
  return boxes;
}

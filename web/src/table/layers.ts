import earcut from 'earcut';
import { PlaceIndex } from './place';

/** A stretch of vertices. */
export interface Range {
  start: number;
  count: number;
}

/**
 * A polygon with many holes, such as a plane: its outer ring filled, and its holes filled, to be
 * laid down first as a mask that keeps the fill out. Cutting it into triangles together with
 * thousands of holes would take minutes.
 */
export interface Large {
  net: number;
  mask: Range;
  fill: Range;
}

/** A stretch of vertices and the box around it, micrometres. */
export interface Tile extends Range {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** One layer ready to draw: triangles in micrometres from the origin, and where each net's lie. */
export interface Mesh {
  positions: Float32Array;
  /** The vertices of all pieces but the large ones, from the first. */
  plain: number;
  /** The plain vertices by place, so that what is out of sight need not be drawn. */
  tiles: Tile[];
  /** Stretches of plain vertices by net; −1 for what is no copper. */
  nets: Map<number, Range[]>;
  /** The smallest first, as one may lie in a hole of another. */
  large: Large[];
  /**
   * Of a large layer the mesh is a coarse one, for when the whole board is in view; this makes the
   * fine one.
   */
  fine?: () => Mesh;
  /** What lies where; made when first asked for. */
  places?: () => PlaceIndex;
}

/** Polygons with more holes than this are drawn with a mask. */
const MANY_HOLES = 60;

/** How far chords may leave a true edge, micrometres: fine, and coarse for views from afar. */
export const FINE_UM = 4;
export const COARSE_UM = 80;
/** Layers of more 32-bit words than this are first shown coarse. */
const LARGE_LAYER = 60_000;
/** Pieces that share a tile, about. */
const PER_TILE = 500;

/** A list of vertices that grows by doubling: a large layer has millions. */
export class Vertices {
  private data = new Float32Array(1 << 14);
  private length = 0;

  get count(): number {
    return this.length / 2;
  }

  push(x: number, y: number): void {
    if (this.length + 2 > this.data.length) {
      const larger = new Float32Array(this.data.length * 2);
      larger.set(this.data);
      this.data = larger;
    }
    this.data[this.length++] = x;
    this.data[this.length++] = y;
  }

  done(): Float32Array {
    return this.data.slice(0, this.length);
  }
}

/** Chords for half a turn at a radius, both in micrometres. */
export function halfTurnChords(radius: number, error = FINE_UM): number {
  const step = Math.acos(Math.max(0, 1 - error / Math.max(radius, error)));
  return Math.min(32, Math.max(error > FINE_UM ? 2 : 4, Math.ceil(Math.PI / 2 / step)));
}

/** A round tool's way from one place to another, as a fan about its first corner. */
export function capsule(
  [x0, y0, x1, y1]: readonly [number, number, number, number],
  r: number,
  error: number,
  out: Vertices,
): void {
  const angle = Math.atan2(y1 - y0, x1 - x0);
  const n = halfTurnChords(r, error);
  let firstX = 0;
  let firstY = 0;
  let lastX = 0;
  let lastY = 0;
  for (let i = 0; i <= 2 * n + 1; i++) {
    const end = i <= n;
    const a = angle - Math.PI / 2 + (Math.PI * (end ? i : i - 1)) / n;
    const x = (end ? x1 : x0) + r * Math.cos(a);
    const y = (end ? y1 : y0) + r * Math.sin(a);
    if (i === 0) {
      firstX = x;
      firstY = y;
    } else if (i > 1) {
      out.push(firstX, firstY);
      out.push(lastX, lastY);
      out.push(x, y);
    }
    lastX = x;
    lastY = y;
  }
}

/** A layer as it is first shown: coarse when it is large, with the way to the fine one. */
export function decode(buffer: ArrayBuffer, originX: number, originY: number): Mesh {
  const fine = () => unpack(buffer, originX, originY, { error: FINE_UM, mask: true });
  let index: PlaceIndex | null = null;
  const places = () => (index ??= new PlaceIndex(buffer));
  if (buffer.byteLength / 4 < LARGE_LAYER) {
    return { ...fine(), places };
  }
  return { ...unpack(buffer, originX, originY, { error: COARSE_UM, mask: true }), fine, places };
}

/** Where the pieces of a layer begin in its words, ordered by tile. */
function ordered(words: Int32Array): { at: number; tile: number }[] {
  const pieces: { at: number; tile: number }[] = [];
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  let at = 1;
  const place = (p: number) => ((words[p + 1] ?? 0) < 0 ? p + 2 : p + 3);
  for (let i = 0; i < (words[0] ?? 0); i++) {
    pieces.push({ at, tile: 0 });
    const px = words[place(at)] ?? 0;
    const py = words[place(at) + 1] ?? 0;
    minX = Math.min(minX, px);
    maxX = Math.max(maxX, px);
    minY = Math.min(minY, py);
    maxY = Math.max(maxY, py);
    const rings = words[at + 1] ?? 0;
    at += 2;
    for (let ring = 0; ring < rings; ring++) {
      at += 1 + 2 * (words[at] ?? 0);
    }
    at += rings < 0 ? 5 : 0;
  }
  const side = Math.min(24, Math.max(1, Math.round(Math.sqrt(pieces.length / PER_TILE))));
  for (const piece of pieces) {
    const p = place(piece.at);
    const tx = Math.floor((((words[p] ?? 0) - minX) / (maxX - minX + 1)) * side);
    const ty = Math.floor((((words[p + 1] ?? 0) - minY) / (maxY - minY + 1)) * side);
    piece.tile = ty * side + tx;
  }
  return side === 1 ? pieces : pieces.sort((a, b) => a.tile - b.tile || a.at - b.at);
}

/**
 * Unpacks a layer as the server sends it (32-bit little-endian integers: pieces; for each its net
 * and rings; for each ring its points; with −1 rings a round tool's way) and cuts it into
 * triangles. Pieces may overlap. Without masks every polygon is cut up whole.
 */
export function unpack(
  buffer: ArrayBuffer,
  originX: number,
  originY: number,
  { error, mask: withMasks }: { error: number; mask: boolean },
): Mesh {
  const words = new Int32Array(buffer);
  const vertices = new Vertices();
  const nets: Mesh['nets'] = new Map();
  const tiles: Tile[] = [];
  const x = (at: number) => ((words[at] ?? 0) - originX) / 1000;
  const y = (at: number) => ((words[at] ?? 0) - originY) / 1000;
  const big: { net: number; rings: number[][]; area: number }[] = [];
  let tile = -1;
  for (const piece of ordered(words)) {
    const net = words[piece.at] ?? -1;
    const rings = words[piece.at + 1] ?? 0;
    const start = vertices.count;
    if (piece.tile !== tile) {
      tile = piece.tile;
      tiles.push({ start, count: 0, minX: 0, minY: 0, maxX: 0, maxY: 0 });
    }
    let at = piece.at + 2;
    if (rings < 0) {
      const r = (words[at + 4] ?? 0) / 1000;
      capsule([x(at), y(at + 1), x(at + 2), y(at + 3)], r, error, vertices);
    } else {
      const all: number[][] = [];
      for (let ring = 0; ring < rings; ring++) {
        const points = words[at++] ?? 0;
        const flat: number[] = [];
        // The last point repeats the first.
        for (let i = 0; i < points - 1; i++) {
          flat.push(x(at + 2 * i), y(at + 2 * i + 1));
        }
        all.push(error > FINE_UM ? thinned(flat, error) : flat);
        at += 2 * points;
      }
      if (withMasks && rings > MANY_HOLES) {
        big.push({ net, rings: all, area: ringArea(all[0] ?? []) });
        continue;
      }
      fill(all, vertices);
    }
    addRange(nets, net, start, vertices.count - start);
    const last = tiles.at(-1);
    if (last) {
      last.count = vertices.count - last.start;
    }
  }
  const plain = vertices.count;
  big.sort((a, b) => a.area - b.area);
  const large = big.map(({ net, rings }): Large => {
    const mask = { start: vertices.count, count: 0 };
    rings.slice(1).forEach((hole) => fill([hole], vertices));
    mask.count = vertices.count - mask.start;
    const start = vertices.count;
    fill(rings.slice(0, 1), vertices);
    return { net, mask, fill: { start, count: vertices.count - start } };
  });
  const positions = vertices.done();
  tiles.forEach((t) => box(positions, t));
  return { positions, plain, tiles, nets, large };
}

function box(positions: Float32Array, t: Tile): void {
  t.minX = t.minY = Infinity;
  t.maxX = t.maxY = -Infinity;
  for (let i = 2 * t.start; i < 2 * (t.start + t.count); i += 2) {
    const px = positions[i] ?? 0;
    const py = positions[i + 1] ?? 0;
    t.minX = Math.min(t.minX, px);
    t.maxX = Math.max(t.maxX, px);
    t.minY = Math.min(t.minY, py);
    t.maxY = Math.max(t.maxY, py);
  }
}

/** A ring without the points that lie nearer than that to the one kept before. */
function thinned(ring: number[], least: number): number[] {
  if (ring.length <= 16) {
    return ring;
  }
  const kept: number[] = [];
  let kx = Infinity;
  let ky = Infinity;
  for (let i = 0; i < ring.length; i += 2) {
    const px = ring[i] ?? 0;
    const py = ring[i + 1] ?? 0;
    if (Math.abs(px - kx) + Math.abs(py - ky) >= 3 * least || !Number.isFinite(kx)) {
      kept.push(px, py);
      kx = px;
      ky = py;
    }
  }
  return kept.length >= 8 ? kept : ring;
}

/** An outer ring and its holes as triangles. */
function fill(rings: number[][], out: Vertices): void {
  const [only] = rings;
  if (only && rings.length === 1 && isConvex(only)) {
    for (let i = 4; i + 1 < only.length; i += 2) {
      out.push(only[0] ?? 0, only[1] ?? 0);
      out.push(only[i - 2] ?? 0, only[i - 1] ?? 0);
      out.push(only[i] ?? 0, only[i + 1] ?? 0);
    }
    return;
  }
  const flat = rings.length === 1 ? (rings[0] ?? []) : rings.flat();
  const holes: number[] = [];
  let before = 0;
  for (const ring of rings.slice(0, -1)) {
    before += ring.length / 2;
    holes.push(before);
  }
  for (const index of earcut(flat, holes)) {
    out.push(flat[2 * index] ?? 0, flat[2 * index + 1] ?? 0);
  }
}

/** True when a ring of few points always bends the same way and goes round once. */
function isConvex(ring: number[]): boolean {
  const n = ring.length;
  if (n > 200) {
    return false;
  }
  let sign = 0;
  let turns = 0;
  for (let i = 0; i < n; i += 2) {
    const ax = ring[i] ?? 0;
    const ay = ring[i + 1] ?? 0;
    const bx = ring[(i + 2) % n] ?? 0;
    const by = ring[(i + 3) % n] ?? 0;
    const cx = ring[(i + 4) % n] ?? 0;
    const cy = ring[(i + 5) % n] ?? 0;
    const bend = Math.sign((bx - ax) * (cy - by) - (by - ay) * (cx - bx));
    if (bend !== 0 && sign !== 0 && bend !== sign) {
      return false;
    }
    sign = bend === 0 ? sign : bend;
    // A ring that goes round twice changes its way along x more than twice.
    turns += bx - ax > 0 !== cx - bx > 0 && bx !== ax ? 1 : 0;
  }
  return turns <= 2;
}

function ringArea(ring: number[]): number {
  let sum = 0;
  for (let i = 0; i < ring.length; i += 2) {
    const k = (i + 2) % ring.length;
    sum += (ring[i] ?? 0) * (ring[k + 1] ?? 0) - (ring[k] ?? 0) * (ring[i + 1] ?? 0);
  }
  return Math.abs(sum) / 2;
}

/** Pieces of a net follow each other, so most nets have one range. */
function addRange(nets: Mesh['nets'], net: number, start: number, count: number): void {
  const ranges = nets.get(net);
  const last = ranges?.at(-1);
  if (last && last.start + last.count === start) {
    last.count += count;
  } else if (ranges) {
    ranges.push({ start, count });
  } else {
    nets.set(net, [{ start, count }]);
  }
}

/** The area that the pieces cover, overlaps counted twice, in square micrometres. */
export function area(mesh: Mesh): number {
  const of = ({ start, count }: Range) => {
    let sum = 0;
    for (let i = 2 * start; i + 5 < 2 * (start + count); i += 6) {
      const [ax = 0, ay = 0, bx = 0, by = 0, cx = 0, cy = 0] = mesh.positions.subarray(i, i + 6);
      sum += Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
    }
    return sum;
  };
  return mesh.large.reduce(
    (sum, l) => sum + of(l.fill) - of(l.mask),
    of({ start: 0, count: mesh.plain }),
  );
}

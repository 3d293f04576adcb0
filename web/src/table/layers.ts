import earcut from 'earcut';

/** One layer ready to draw: triangles in micrometres from the origin, and where each net's lie. */
export interface Mesh {
  positions: Float32Array;
  /** First vertex and number of vertices by net; −1 for what is no copper. */
  nets: Map<number, { start: number; count: number }[]>;
}

/**
 * Unpacks a layer as the server sends it (32-bit little-endian integers: polygons; for each its net
 * and rings; for each ring its points) and cuts it into triangles.
 */
export function decode(buffer: ArrayBuffer, originX: number, originY: number): Mesh {
  const words = new Int32Array(buffer);
  const vertices: number[] = [];
  const nets: Mesh['nets'] = new Map();
  let at = 1;
  for (let polygon = 0; polygon < (words[0] ?? 0); polygon++) {
    const net = words[at++] ?? -1;
    const rings = words[at++] ?? 0;
    const flat: number[] = [];
    const holes: number[] = [];
    for (let ring = 0; ring < rings; ring++) {
      const points = words[at++] ?? 0;
      if (ring > 0) {
        holes.push(flat.length / 2);
      }
      // The last point repeats the first.
      for (let i = 0; i < points - 1; i++) {
        flat.push(((words[at + 2 * i] ?? 0) - originX) / 1000);
        flat.push(((words[at + 2 * i + 1] ?? 0) - originY) / 1000);
      }
      at += 2 * points;
    }
    const start = vertices.length / 2;
    for (const index of earcut(flat, holes)) {
      vertices.push(flat[2 * index] ?? 0, flat[2 * index + 1] ?? 0);
    }
    const ranges = nets.get(net) ?? [];
    ranges.push({ start, count: vertices.length / 2 - start });
    nets.set(net, ranges);
  }
  return { positions: new Float32Array(vertices), nets };
}

/** The area that the triangles cover, in square micrometres. */
export function area(mesh: Mesh): number {
  let sum = 0;
  const p = mesh.positions;
  for (let i = 0; i + 5 < p.length; i += 6) {
    const [ax = 0, ay = 0, bx = 0, by = 0, cx = 0, cy = 0] = p.subarray(i, i + 6);
    sum += Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
  }
  return sum;
}

import { expect, test } from 'vitest';
import { area, decode, halfTurnChords } from './layers';

function square(x: number, y: number, size: number): number[] {
  return [5, x, y, x + size, y, x + size, y + size, x, y + size, x, y];
}

test('triangles cover exactly the polygon less its hole', () => {
  const words = [1, 7, 2, ...square(0, 0, 10_000_000), ...square(2_000_000, 2_000_000, 4_000_000)];
  const mesh = decode(new Int32Array(words).buffer, 0, 0);
  // 100 mm² less 16 mm², in µm².
  expect(area(mesh)).toBeCloseTo(84e6, 0);
  expect([...mesh.nets.keys()]).toEqual([7]);
});

test('every net keeps the range of its own triangles', () => {
  const words = [2, 3, 1, ...square(0, 0, 1000), 5, 1, ...square(5000, 0, 1000)];
  const mesh = decode(new Int32Array(words).buffer, 0, 0);
  const range = mesh.nets.get(5)?.[0];
  expect(range).toEqual({ start: 6, count: 6 });
  const xs = mesh.positions.subarray(12, 24).filter((_, i) => i % 2 === 0);
  expect(Math.min(...xs)).toBe(5);
});

test('a round way has the area of its capsule', () => {
  // 3 mm long, radius 0.5 mm, as the server sends it: net, −1, both ends, radius.
  const words = [1, 2, -1, 1_000_000, 1_000_000, 4_000_000, 1_000_000, 500_000];
  const mesh = decode(new Int32Array(words).buffer, 0, 0);
  const exact = 3000 * 1000 + Math.PI * 500 * 500;
  expect(area(mesh) / exact).toBeGreaterThan(0.99);
  expect(area(mesh) / exact).toBeLessThan(1);
  expect(mesh.nets.get(2)).toEqual([{ start: 0, count: mesh.positions.length / 2 }]);
});

test('chords keep within four micrometres', () => {
  for (const r of [10, 75, 300, 1500]) {
    const n = halfTurnChords(r);
    expect(n === 32 || r * (1 - Math.cos(Math.PI / 2 / n)) <= 4.01).toBe(true);
  }
});

test('pieces of a net that follow each other make one range', () => {
  const words = [3, 4, 1, ...square(0, 0, 9), 4, 1, ...square(20, 0, 9), 6, 1, ...square(40, 0, 9)];
  const mesh = decode(new Int32Array(words).buffer, 0, 0);
  expect(mesh.nets.get(4)).toEqual([{ start: 0, count: 12 }]);
});

test('a plane with many holes has its area, and comes after what lies in them', () => {
  const holes: number[] = [];
  for (let i = 0; i < 100; i++) {
    holes.push(...square((i % 10) * 9_000_000 + 1e6, Math.floor(i / 10) * 9_000_000 + 1e6, 2e6));
  }
  const words = [2, 8, 101, ...square(0, 0, 100_000_000), ...holes, 9, 1, ...square(2e6, 2e6, 1e6)];
  const mesh = decode(new Int32Array(words).buffer, 0, 0);
  // 10,000 mm² less a hundred of 4 mm², and the one piece of 1 mm² in a hole.
  expect(area(mesh)).toBeCloseTo((10_000 - 400 + 1) * 1e6, -1);
  expect(mesh.large.map((l) => l.net)).toEqual([8]);
  expect(mesh.plain).toBe(6);
});

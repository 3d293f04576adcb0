import { expect, test } from 'vitest';
import { area, decode } from './layers';

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

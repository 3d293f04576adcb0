import { describe, expect, it } from 'vitest';
import { affine, apply } from './warp';

describe('a photograph on the board', () => {
  it('is laid by a perspective map', () => {
    // x / w, y / w with w = 1 + x / 1000.
    const m = [2, 0, 10, 0, 2, 20, 0.001, 0, 1];
    expect(apply(m, 0, 0)).toEqual([10, 20]);
    expect(apply(m, 1000, 500)).toEqual([1005, 510]);
  });

  it('goes by triangles whose corners meet', () => {
    const from = [
      [0, 0],
      [10, 0],
      [0, 10],
    ] as const;
    const to = [
      [5, 5],
      [25, 9],
      [1, 30],
    ] as const;
    const m = affine(from, to);
    expect(m).not.toBeNull();
    const [a, b, c, d, e, f] = m ?? [0, 0, 0, 0, 0, 0];
    from.forEach(([x, y], i) => {
      expect(a * x + c * y + e).toBeCloseTo(to[i]?.[0] ?? 0);
      expect(b * x + d * y + f).toBeCloseTo(to[i]?.[1] ?? 0);
    });
  });

  it('is nothing where three places lie in one line', () => {
    expect(
      affine(
        [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
        [
          [0, 0],
          [1, 0],
          [0, 1],
        ],
      ),
    ).toBeNull();
  });
});

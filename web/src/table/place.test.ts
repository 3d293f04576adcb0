import { describe, expect, it } from 'vitest';
import { PlaceIndex } from './place';

/** A layer as the server packs it. */
function packed(pieces: readonly (readonly number[])[]): ArrayBuffer {
  return Int32Array.from([pieces.length, ...pieces.flat()]).buffer;
}

const square = (x: number, y: number, half: number): number[] => [
  5,
  ...[-1, -1, 1, -1, 1, 1, -1, 1, -1, -1].map((v, i) => (i % 2 ? y : x) + v * half),
];

describe('what lies at a place', () => {
  it('knows round ends, sides and what is just beside them', () => {
    const index = new PlaceIndex(packed([[7, -1, 0, 0, 10_000_000, 0, 1_000_000]]));
    expect(index.at(5_000_000, 1_000_000)).toEqual({ net: 7 });
    expect(index.at(5_000_000, 1_000_001)).toBeNull();
    expect(index.at(-1_000_000, 0)).toEqual({ net: 7 });
    // The corner of the box about a round end is beside it.
    expect(index.at(-800_000, -800_000)).toBeNull();
  });

  it('leaves the holes of a plane out, and finds what stands in them', () => {
    const index = new PlaceIndex(
      packed([
        [1, 2, ...square(0, 0, 1000), ...square(0, 0, 100)],
        [2, 1, ...square(0, 0, 50)],
      ]),
    );
    expect(index.at(500, 500)).toEqual({ net: 1 });
    expect(index.at(80, 0)).toBeNull();
    expect(index.at(10, 10)).toEqual({ net: 2 });
  });

  it('answers as a look at every piece does', () => {
    let seed = 1;
    const random = (n: number) => (seed = (seed * 48271) % 2147483647) % n;
    const discs = Array.from({ length: 400 }, (_, i) => {
      const x = random(1_000_000);
      const y = random(1_000_000);
      return [i, -1, x, y, x, y, 1000 + random(30_000)];
    });
    const index = new PlaceIndex(packed(discs));
    for (let i = 0; i < 2000; i++) {
      const [x, y] = [random(1_000_000), random(1_000_000)];
      const here = discs.filter(
        ([, , dx = 0, dy = 0, , , r = 0]) => Math.hypot(x - dx, y - dy) <= r,
      );
      expect(index.at(x, y)?.net).toBe(here.at(-1)?.[0]);
    }
  });

  it('finds nothing in an empty layer', () => {
    expect(new PlaceIndex(packed([])).at(0, 0)).toBeNull();
  });
});

import { describe, expect, it } from 'vitest';
import { trackUpTo } from './track';

// Rapid to the right in one minute, down in the second, a cut upwards in the third.
const TRACK = [
  [0, 0, -2, 0, 1, 0],
  [10, 0, -2, 1, 2, 0],
  [10, 0, 1, 2, 3, 1],
  [10, 20, 1, 3, 4, 1],
].flat();

describe('a track up to a minute', () => {
  it('has cut nothing on its rapid way', () => {
    expect(trackUpTo(TRACK, 0.5)).toEqual({ cut: [], at: [5, 0], line: 2 });
  });
  it('has cut half of what it is cutting', () => {
    const half = trackUpTo(TRACK, 2.5);
    expect(half.cut).toEqual([[10, 0, 10, 0, 10, 10]]);
    expect(half.at).toEqual([10, 10]);
    expect(half.line).toBe(4);
  });
  it('is nowhere before it begins and after it ends', () => {
    expect(trackUpTo(TRACK, -1).at).toBeNull();
    expect(trackUpTo(TRACK, 9).at).toBeNull();
    expect(trackUpTo(TRACK, 9).cut).toEqual([[10, 0, 10, 0, 10, 20]]);
  });
});

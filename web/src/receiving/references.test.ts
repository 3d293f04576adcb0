import { describe, expect, it } from 'vitest';
import type { Job } from '../api/client';
import { references } from './references';

const hole = (x: number, y: number, mm: number, x1 = x) => ({
  x0: x * 1e6,
  y0: y * 1e6,
  x1: x1 * 1e6,
  y1: y * 1e6,
  diameter: mm * 1e6,
  plated: false,
});

const job = (holes: ReturnType<typeof hole>[]): Job =>
  ({ board: { minX: 0, minY: 0, maxX: 80e6, maxY: 50e6 }, holes }) as unknown as Job;

describe('places to click on a photograph', () => {
  it('are the large holes, those farthest out first, then the corners', () => {
    const all = references(
      job([
        hole(40, 25, 3),
        hole(3, 3, 3.2),
        hole(77, 47, 3.2),
        hole(77, 3, 3.2),
        hole(3, 47, 3.2),
      ]),
    );
    expect(all).toHaveLength(9);
    expect(all[4]).toMatchObject({ x: 40e6, y: 25e6 });
    expect(all[5]?.name).toBe('lower left corner');
  });

  it('are the corners where there are few holes; vias and slots are none', () => {
    const all = references(job([hole(3, 3, 3.2), hole(20, 20, 0.3), hole(30, 20, 3, 36)]));
    expect(all.map((r) => r.name)).toEqual([
      'lower left corner',
      'upper right corner',
      'upper left corner',
      'lower right corner',
      'hole 1, 3.2 mm',
    ]);
  });
});

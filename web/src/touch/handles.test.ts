import { describe, expect, it } from 'vitest';
import { dragged, handlesOf, outlineOf } from './handles';

describe('the places of a touch', () => {
  it('are each found, and each goes where it is dragged, the others staying', () => {
    const strap = { kind: 'strap', net: 'GND', from: [1, 2], to: [3, 4], width_mm: 0.5 };
    expect(handlesOf(strap).map((h) => h.key)).toEqual(['from', 'to']);
    expect(dragged(strap, { key: 'to', x: 5e6, y: 6e6 })).toEqual({ ...strap, to: [5, 6] });

    const pour = {
      kind: 'pour',
      area: [
        [0, 0],
        [10, 0],
        [10, 8],
      ],
    };
    expect(handlesOf(pour)).toHaveLength(3);
    expect(dragged(pour, { key: 'area.1', x: 11e6, y: 1e6 })['area']).toEqual([
      [0, 0],
      [11, 1],
      [10, 8],
    ]);
    expect(outlineOf(pour)?.closed).toBe(true);

    const round = { kind: 'edge', cut_out: { at: [5, 5], diameter_mm: 4 } };
    expect(dragged(round, { key: 'cut_out.at', x: 6e6, y: 5e6 })).toEqual({
      kind: 'edge',
      cut_out: { at: [6, 5], diameter_mm: 4 },
    });
  });

  it('are none where a touch is of the whole board', () => {
    expect(handlesOf({ kind: 'pour', area: 'board', net: 'GND' })).toEqual([]);
    expect(outlineOf({ kind: 'silk-clip', clear_mm: 0.1 })).toBeNull();
  });
});

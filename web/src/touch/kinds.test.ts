import { describe, expect, it } from 'vitest';
import { BOTH, get, missing, OFFERED, offeredFor, set, shownFields, touchesOf } from './kinds';

const ROOM = {
  clearanceMm: 0.15,
  edgeMm: 0.3,
  holeMm: 0.25,
  maskMm: 0,
  silkMm: 0.1,
  ringMm: 0.15,
  neckMm: 0.12,
  drillsMm: [],
};

describe('the forms of touches', () => {
  it('find the entry of the menu again from what it made', () => {
    // The ground for a mill is a pour like others once it is made.
    for (const o of OFFERED.filter((x) => !x.milled)) {
      let touch: Record<string, unknown> = { kind: o.kind, ...o.usual(ROOM) };
      for (const f of o.fields) {
        if (
          [undefined, ''].includes(get(touch, f.key) as string) &&
          !('optional' in f && f.optional)
        ) {
          touch = set(touch, f.key, f.type === 'area' ? [[0, 0]] : 1);
        }
      }
      expect(offeredFor(touch)?.id, o.id).toBe(o.id);
      expect(missing(o, touch), o.id).toBe('');
    }
  });

  it('set keys within keys and take empty ones away', () => {
    const touch = set({ relief: { spokes: 4 } }, 'relief.gap_mm', 0.3);
    expect(touch).toEqual({ relief: { spokes: 4, gap_mm: 0.3 } });
    expect(set({ hatch: { line_mm: 1 } }, 'hatch.line_mm', undefined)).toEqual({});
    expect(set({ move_mm: [1, 2] }, 'move_mm.1', 5)).toEqual({ move_mm: [1, 5] });
  });

  it('make one touch, or one for each outer side', () => {
    const pour = { kind: 'pour', layer: BOTH, net: 'GND' };
    expect(touchesOf(pour).map((t) => t['layer'])).toEqual(['copper-top', 'copper-bottom']);
    expect(touchesOf({ ...pour, layer: 'copper-top' })).toHaveLength(1);
  });

  it('ask for spokes only where there are some, and say what is missing', () => {
    const pour = OFFERED.find((o) => o.id === 'pour');
    const values = pour ? pour.usual(ROOM) : {};
    expect(pour && missing(pour, values)).toBe('net');
    expect(
      pour &&
        shownFields(pour, { ...values, relief: 'solid' }).some((f) => f.key === 'relief.gap_mm'),
    ).toBe(false);
  });
});

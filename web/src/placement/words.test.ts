import { describe, expect, it } from 'vitest';
import type { PlacedKind } from '../api/client';
import { degrees, verdict } from './words';

const kind = (...states: [string, boolean?][]): PlacedKind =>
  ({
    parts: states.map(([state, harmless], i) => ({
      designator: `R${i}`,
      state,
      harmless: harmless ?? false,
    })),
  }) as unknown as PlacedKind;

describe('what is held of a footprint', () => {
  it('says first what would be fitted wrong', () => {
    expect(verdict(kind(['right'], ['turned'], ['unknown']))).toEqual({
      words: '1 turned',
      mark: 'look',
    });
  });

  it('does not alarm for half a turn of a resistor', () => {
    expect(verdict(kind(['right'], ['turned', true])).mark).toBe('good');
  });

  it('never says right of what could not be judged', () => {
    expect(verdict(kind(['unknown'], ['unknown']))).toEqual({
      words: 'cannot be told',
      mark: 'open',
    });
    expect(verdict(kind(['right'], ['unknown'])).words).toBe('1 cannot be told');
    expect(verdict(kind(['right'], ['right'])).words).toBe('lie alike');
  });
});

describe('degrees', () => {
  it('have no crumbs', () => {
    expect(degrees(89.99999999)).toBe('90°');
    expect(degrees(22.5)).toBe('22.5°');
  });
});

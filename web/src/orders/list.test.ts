import { describe, expect, it } from 'vitest';
import type { DeskLine, DeskPlaced } from '../api/client';
import { counted, sorted, turned } from './list';

function line(state: string, name: string): DeskLine {
  return {
    designators: [name],
    value: '10k',
    packageName: '0603',
    number: 'N',
    taken: 'N',
    state,
    says: '',
    needed: 5,
    stock: 100,
    loading: 0,
  };
}

function placed(designator: string, footprint: string, turnDeg: number | null): DeskPlaced {
  return { designator, footprint, side: 'top', xMm: 1, yMm: 2, rotationDeg: 0, turnDeg };
}

describe('what a desk made of the tables', () => {
  const lines = [line('found', 'R1'), line('unknown', 'R2'), line('short', 'R3')];

  it('counts the lines of each state and puts the worst first', () => {
    expect(counted(lines)).toBe('1 found, 1 not in stock, 1 not recognised');
    expect(sorted(lines).open.map((l) => l.designators[0])).toEqual(['R2', 'R3']);
    expect(sorted(lines).well.map((l) => l.designators[0])).toEqual(['R1']);
  });

  it('joins parts that lie turned alike, and tells when it is all of a footprint', () => {
    const groups = turned([
      placed('U1', 'SOIC8', 90),
      placed('U2', 'SOIC8', 90),
      placed('U3', 'TSSOP8', 180),
      placed('U4', 'TSSOP8', 0),
      placed('R1', '0603', null),
    ]);
    expect(groups.map((g) => [g.footprint, g.degrees, g.parts.join(' '), g.all])).toEqual([
      ['SOIC8', 90, 'U1 U2', true],
      ['TSSOP8', 180, 'U3', false],
    ]);
  });
});

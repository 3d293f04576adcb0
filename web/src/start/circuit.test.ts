import { describe, expect, it } from 'vitest';
import { csv, faults, pasted } from './circuit';

const HEADINGS = ['Net', 'Pins'];

describe('a typed circuit', () => {
  it('is right when every pin is of a part and in one net', () => {
    const nets = [
      ['GND', 'R1.1 C1.2'],
      ['VCC', 'R1.2, C1.1'],
      ['', ''],
    ];
    const parts = [
      ['R1', '10k', 'AXIAL'],
      ['C1', '100n', 'DISC'],
    ];
    expect([...faults(nets, parts)]).toEqual([]);
  });

  it('names the cell of each fault', () => {
    const nets = [
      ['GND', 'R1.1 R1'],
      ['VCC', 'X9.1'],
      ['OUT', 'R1.1'],
      ['', 'R1.2'],
    ];
    const wrong = faults(nets, [
      ['R1', '10k', 'AXIAL'],
      ['R1', '1k', 'AXIAL'],
    ]);
    expect(wrong.get('nets 0 1')).toContain('“R1” names no pin');
    expect(wrong.get('nets 1 1')).toContain('X9 is not among the parts');
    expect(wrong.get('nets 2 1')).toContain('R1.1 is in the net GND already');
    expect(wrong.get('nets 3 0')).toContain('the net has no name');
    expect(wrong.get('parts 1 0')).toContain('R1 is listed twice');
    expect(faults([['', '']], []).get('nets 0 0')).toContain('no connections yet');
  });

  it('takes a pasted table, its headings left out', () => {
    const rows = pasted([['', '']], 0, 0, 'Net\tPins\nGND\tR1.1 C1.2\nVCC\tR1.2\n', HEADINGS);
    expect(rows.slice(0, 2)).toEqual([
      ['GND', 'R1.1 C1.2'],
      ['VCC', 'R1.2'],
    ]);
    expect(pasted([['', '']], 0, 0, 'GND,R1.1,C1.2\n', HEADINGS)[0]).toEqual(['GND', 'R1.1 C1.2']);
  });

  it('is written after RFC 4180', () => {
    expect(
      csv(HEADINGS, [
        ['A "b"', 'R1.1,R2.1'],
        ['', ''],
      ]),
    ).toBe('Net,Pins\n"A ""b""","R1.1,R2.1"');
  });
});

import { expect, test } from 'vitest';
import type { Kit } from '../api/client';
import { moved, ownAtEnd, ownBefore, said, type Line } from './order';

const LINES: Line[] = [
  { own: 'heat the iron' },
  { step: 0, own: '' },
  { own: 'trim leads' },
  { own: 'photograph' },
  { step: 1, own: '' },
  { own: 'wash' },
];

test('own steps are told with the step they come before, and the last behind the last', () => {
  expect(ownBefore(LINES, 0)).toEqual(['heat the iron']);
  expect(ownBefore(LINES, 1)).toEqual(['trim leads', 'photograph']);
  expect(ownAtEnd(LINES)).toEqual(['wash']);
});

test('a line moved down and up again is where it was', () => {
  const down = moved(LINES, 1, 4);
  expect(down.map((l) => l.step ?? l.own)).toEqual([
    'heat the iron',
    'trim leads',
    'photograph',
    1,
    0,
    'wash',
  ]);
  expect(moved(down, 4, 1)).toEqual(LINES);
});

test('a step is named by its first part', () => {
  const kit = {
    steps: [
      { places: [{ designator: 'R1' }, { designator: 'R2' }] },
      { places: [{ designator: 'J1' }] },
    ],
  } as unknown as Kit;
  expect(said(kit, moved(LINES, 4, 0)).slice(0, 3)).toEqual([
    { solder: 'J1' },
    { own: 'heat the iron' },
    { solder: 'R1' },
  ]);
});

import { describe, expect, it } from 'vitest';
import {
  across,
  openCount,
  questionsOf,
  roleWords,
  sidePair,
  sidesAnswer,
  type JobFile,
} from './roles';

function file(path: string, role: string, doubt = ''): JobFile {
  return { path, role, doubt } as JobFile;
}

describe('questions about files', () => {
  const job = {
    files: [
      file('a', 'copper-top', 'side'),
      file('b', 'copper-bottom', 'side'),
      file('c', 'mask-top', 'side'),
      file('d', 'copper-inner-10', 'order'),
      file('e', 'copper-inner-2', 'order'),
      file('f', 'unknown', 'role'),
      file('g', 'silk-top', 'shared'),
      file('h', 'outline'),
    ],
  };

  it('asks about all sides once, all inner layers once, and every other file by itself', () => {
    const q = questionsOf(job);
    expect(q.sides.map((f) => f.path)).toEqual(['a', 'b', 'c']);
    expect(q.order.map((f) => f.path)).toEqual(['e', 'd']);
    expect(q.single.map((f) => f.path)).toEqual(['f', 'g']);
    expect(openCount(job)).toBe(4);
    expect(openCount({ files: [file('h', 'outline')] })).toBe(0);
  });

  it('turns every file of both sides round with one answer', () => {
    const sides = questionsOf(job).sides;
    expect(sidesAnswer(sides, true).map((a) => a.role)).toEqual([
      'copper-bottom',
      'copper-top',
      'mask-bottom',
    ]);
    expect(sidesAnswer(sides, false).map((a) => a.role)).toEqual([
      'copper-top',
      'copper-bottom',
      'mask-top',
    ]);
  });

  it('shows the two coppers, or what there is', () => {
    expect(sidePair(questionsOf(job).sides)?.map((f) => f?.path)).toEqual(['a', 'b']);
    expect(sidePair([file('m', 'mask-bottom', 'side')])?.[1]).toBeNull();
    expect(sidePair([])).toBeNull();
  });

  it('names roles in plain words', () => {
    expect(across('outline')).toBe('outline');
    expect(roleWords('copper-inner-3')).toBe('inner copper 3');
    expect(roleWords('not-part')).toBe('not part of the board');
  });
});

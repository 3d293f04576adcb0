import { describe, expect, it } from 'vitest';
import type { JobLine } from '../api/client';
import { matching } from './matching';

const job = (id: number, name: string, archived = false): JobLine => ({
  id,
  name,
  archived,
  created: '',
  deleted: false,
  revision: 1,
  cuts: 0,
  shop: 'waggle-quick',
  last: 'brought in',
  at: '',
  face: false,
});

describe('jobs on the bench', () => {
  const all = [job(1, 'Hive scale'), job(2, 'joint box'), job(3, 'old hive', true)];
  it('are found by all words in any order', () => {
    expect(matching(all, 'scale hive', false).map((j) => j.id)).toEqual([1]);
    expect(matching(all, 'WAGGLE', false).map((j) => j.id)).toEqual([1, 2]);
    expect(matching(all, 'nothing', false)).toEqual([]);
  });
  it('are shown apart when laid aside', () => {
    expect(matching(all, '', true).map((j) => j.id)).toEqual([3]);
  });
});

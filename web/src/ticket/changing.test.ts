import { beforeEach, describe, expect, it } from 'vitest';
import { ApiError, StaleError } from '../api/errors';
import { changing, isNews, saw } from './changing';
import { useStale } from './stale';

/** A server that keeps one version and refuses what was made on another. */
class Job {
  version = 1;
  done: string[] = [];

  change(what: string) {
    return async (on: number | undefined) => {
      await Promise.resolve();
      if (on !== undefined && on !== this.version) {
        throw new StaleError('refused', this.version, `version ${this.version}`);
      }
      this.done.push(what);
      saw(7, ++this.version);
      return what;
    };
  }
}

describe('changing', () => {
  let job: Job;
  beforeEach(() => {
    job = new Job();
    saw(7, 1);
  });

  it('makes one change after the other, each on what the one before made', async () => {
    const all = ['a', 'b', 'c'].map((what) => changing(7, job.change(what)));
    expect(await Promise.all(all)).toEqual(['a', 'b', 'c']);
    expect(job.done).toEqual(['a', 'b', 'c']);
    expect(job.version).toBe(4);
  });

  it('goes on after a change that failed', async () => {
    const bad = changing(7, () => Promise.reject(new ApiError('no')));
    const good = changing(7, job.change('after'));
    await expect(bad).rejects.toThrow('no');
    await expect(good).resolves.toBe('after');
  });

  it('asks when another window was faster, and makes it again only when told to', async () => {
    job.version = 5;
    const refused = changing(7, job.change('mine'));
    await expect.poll(() => useStale.getState().meanwhile).toBe('version 5');
    useStale.getState().answer(false);
    await expect(refused).rejects.toThrow('left out');
    expect(job.done).toEqual([]);

    job.version = 6;
    const again = changing(7, job.change('mine'));
    await expect.poll(() => useStale.getState().meanwhile).toBe('version 6');
    useStale.getState().answer(true);
    await expect(again).resolves.toBe('mine');
    expect(useStale.getState().meanwhile).toBeNull();
  });

  it('takes what it made itself for no news, even when told of it before the answer', async () => {
    const own = changing(7, job.change('mine'));
    const news = isNews(7, 2);
    await own;
    expect(await news).toBe(false);
    expect(await isNews(7, 3)).toBe(true);
  });
});

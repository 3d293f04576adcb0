import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef } from 'react';
import { api, type Job } from '../api/client';
import { useWork, type Work } from '../api/tasks';

/**
 * Checks the board in the background whenever it, the shop, the headroom, the order or the currents
 * changed: the last check then no longer counts. A check that is under way for something older is
 * given up.
 */
export function useRecheck(job: Job): Work & { again: () => void } {
  const queries = useQueryClient();
  const work = useWork();
  const { run } = work;
  const tried = useRef('');
  const stale = job.sheetId !== '' && !job.check.ran;
  const key = `${job.id} ${job.stamp}`;
  const again = useCallback(() => {
    run(
      () => api.work(job.id, 'check'),
      () => {
        void queries.invalidateQueries({ queryKey: ['check', job.id] });
        void queries.invalidateQueries({ queryKey: ['job', job.id] });
      },
    );
  }, [job.id, queries, run]);
  useEffect(() => {
    // A check that failed is not tried again by itself, or it would fail for ever.
    if (stale && tried.current !== key) {
      tried.current = key;
      again();
    }
  }, [stale, key, again]);
  return { ...work, again };
}

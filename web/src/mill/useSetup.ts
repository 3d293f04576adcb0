import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { api, type Job, type MillSetup } from '../api/client';
import { refresh } from '../ticket/refresh';

/** Changes the set-up, and what depends on it: check, programs, sets of cutters. */
export function useSetup(job: Job): {
  error: string;
  keep: (setup: MillSetup) => void;
  refuse: (sentence: string) => void;
} {
  const queries = useQueryClient();
  const [error, setError] = useState('');
  const keep = useCallback(
    (setup: MillSetup) => {
      setError('');
      api
        .setMill(job.id, setup)
        .then((mill) => {
          queries.setQueryData(['mill', job.id, job.sheetId, job.stamp], mill);
          refresh(queries, job.id);
        })
        .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
    },
    [job.id, job.sheetId, job.stamp, queries],
  );
  return { error, keep, refuse: setError };
}

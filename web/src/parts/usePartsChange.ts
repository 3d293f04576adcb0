import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { refresh } from '../ticket/refresh';

export interface PartsChange {
  busy: boolean;
  error: string;
  /** Makes a choice; what it may have changed is asked for anew. */
  make: (choice: () => Promise<unknown>, then?: () => void) => void;
  clear: () => void;
}

/** Choices about the parts of a job. */
export function usePartsChange(job: number): PartsChange {
  const queries = useQueryClient();
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const make = useCallback<PartsChange['make']>(
    (choice, then) => {
      setError('');
      setBusy(true);
      choice()
        .then(() => {
          refresh(queries, job);
          then?.();
        })
        .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)))
        .finally(() => setBusy(false));
    },
    [job, queries],
  );
  return { busy, error, make, clear: () => setError('') };
}

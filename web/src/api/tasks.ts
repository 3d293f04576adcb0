import { useCallback, useRef, useState } from 'react';
import { api, type TaskState } from './client';
import { follow } from './follow';

/** One piece of background work as a component sees it. */
export interface Work {
  state: TaskState | null;
  error: string;
  run: (start: () => Promise<TaskState>, then: (done: TaskState) => void) => void;
  cancel: () => void;
  clearError: () => void;
}

/**
 * Work that a component starts. Started again, what was under way is given up: only the latest
 * counts.
 */
export function useWork(): Work {
  const [state, setState] = useState<TaskState | null>(null);
  const [error, setError] = useState('');
  const runs = useRef(0);
  const running = useRef('');
  const run = useCallback<Work['run']>((start, then) => {
    const mine = ++runs.current;
    const latest = () => mine === runs.current;
    if (running.current) {
      void api.cancel(running.current);
      running.current = '';
    }
    setError('');
    void (async () => {
      try {
        const task = await start();
        if (!latest()) {
          void api.cancel(task.id);
          return;
        }
        running.current = task.id;
        setState(task);
        const over = await follow(task, (now) => latest() && setState(now));
        if (latest() && over.status === 'DONE') {
          then(over);
        } else if (latest() && over.status === 'FAILED') {
          setError(over.error);
        }
      } catch (e) {
        if (latest()) {
          setError(e instanceof Error ? e.message : String(e));
        }
      } finally {
        if (latest()) {
          running.current = '';
          setState(null);
        }
      }
    })();
  }, []);
  const cancel = useCallback(() => {
    if (running.current) {
      void api.cancel(running.current);
    }
  }, []);
  return { state, error, run, cancel, clearError: () => setError('') };
}

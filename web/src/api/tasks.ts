import { useCallback, useState } from 'react';
import { api, ApiError, type TaskState } from './client';

/** Follows a task through its stream of changes until it is over. */
export function follow(task: TaskState, onChange: (state: TaskState) => void): Promise<TaskState> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(`/api/tasks/${task.id}/events`);
    events.onmessage = (e: MessageEvent<string>) => {
      const state = JSON.parse(e.data) as TaskState;
      onChange(state);
      if (state.status !== 'RUNNING') {
        events.close();
        resolve(state);
      }
    };
    events.onerror = () => {
      events.close();
      reject(new ApiError('The connection was lost while this was being worked on.'));
    };
  });
}

/** One piece of background work as a component sees it. */
export interface Work {
  state: TaskState | null;
  error: string;
  run: (start: () => Promise<TaskState>, then: (done: TaskState) => void) => void;
  cancel: () => void;
  clearError: () => void;
}

export function useWork(): Work {
  const [state, setState] = useState<TaskState | null>(null);
  const [error, setError] = useState('');
  const run = useCallback<Work['run']>((start, then) => {
    setError('');
    void (async () => {
      try {
        const task = await start();
        setState(task);
        const over = await follow(task, setState);
        if (over.status === 'DONE') {
          then(over);
        } else if (over.status === 'FAILED') {
          setError(over.error);
        }
      } catch (e) {
        setError(e instanceof Error ? e.message : String(e));
      } finally {
        setState(null);
      }
    })();
  }, []);
  const cancel = useCallback(() => {
    if (state) {
      void api.cancel(state.id);
    }
  }, [state]);
  return { state, error, run, cancel, clearError: () => setError('') };
}

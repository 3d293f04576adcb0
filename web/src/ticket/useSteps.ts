import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, type Job } from '../api/client';
import { useNotice } from './notice';
import { refresh } from './refresh';

/** Going back and forward through what was chosen. */
export function useSteps(job: Job): {
  undo: () => void;
  redo: () => void;
  goTo: (version: number, says: string) => void;
} {
  const queries = useQueryClient();
  const goTo = useCallback(
    (version: number, says: string) => {
      const { say } = useNotice.getState();
      api
        .goToVersion(job.id, version)
        .then(() => say(says))
        .catch((e: unknown) => say(e instanceof Error ? e.message : String(e)))
        .finally(() => refresh(queries, job.id));
    },
    [job.id, queries],
  );
  const undo = useCallback(() => {
    if (job.undo) {
      goTo(job.undo.to, `Undone: ${job.undo.says}`);
    }
  }, [goTo, job.undo]);
  const redo = useCallback(() => {
    if (job.redo) {
      goTo(job.redo.to, `Done again: ${job.redo.says}`);
    }
  }, [goTo, job.redo]);
  return { undo, redo, goTo };
}

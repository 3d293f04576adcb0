import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { api, type Job, type TouchLine } from '../api/client';
import { usePartsChange } from '../parts/usePartsChange';
import type { TouchValues } from './kinds';

/** A touch as the ticket has it: with whether it is switched off. */
const filed = (t: TouchLine): TouchValues => (t.on ? t.touch : { ...t.touch, off: true });

/** The touches of a job and how they are changed; each change is a step that can be undone. */
export function useTouches(job: Job) {
  const query = useQuery({
    queryKey: ['touches', job.id, job.version, job.stamp],
    queryFn: () => api.touches(job.id),
    placeholderData: (before) => before,
  });
  const { make, busy, error, clear } = usePartsChange(job.id);
  const data = query.data ?? null;
  const actions = useMemo(() => {
    const list = data?.touches ?? [];
    const keep = (touches: TouchValues[], then?: () => void) =>
      make(() => api.setTouches(job.id, touches), then);
    return {
      add: (added: TouchValues[], then?: () => void) => keep([...list.map(filed), ...added], then),
      change: (index: number, to: TouchValues, then?: () => void) =>
        keep(
          list.map((t, i) => (i === index ? (t.on ? to : { ...to, off: true }) : filed(t))),
          then,
        ),
      switchTo: (index: number, on: boolean) =>
        keep(list.map((t, i) => filed(i === index ? { ...t, on } : t))),
      remove: (index: number) => keep(list.filter((_, i) => i !== index).map(filed)),
      move: (index: number, by: number, then?: () => void) => {
        const next = list.map(filed);
        const [taken] = next.splice(index, 1);
        if (taken) {
          next.splice(index + by, 0, taken);
        }
        keep(next, then);
      },
    };
  }, [data, make, job.id]);
  return { data, busy, error, clear, ...actions };
}

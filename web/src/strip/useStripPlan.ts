import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useRef, useState } from 'react';
import { api, type StripResult } from '../api/client';
import { refresh } from '../ticket/refresh';
import { planOf, toTicket, type Plan } from './plan';

/**
 * The plan as it is edited. What was done is shown at once and kept one step after the other; of
 * steps done while one is on its way only the last is sent.
 */
export function useStripPlan(job: number, view: StripResult | null) {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<{ plan: Plan; kept: boolean } | null>(null);
  const [error, setError] = useState('');
  const sending = useRef(false);
  const waiting = useRef<Plan | null>(null);
  // Once all is kept the next answer has it.
  const [answer, setAnswer] = useState(view);
  if (answer !== view) {
    setAnswer(view);
    if (draft?.kept) {
      setDraft(null);
    }
  }
  const change = useCallback(
    (next: Plan) => {
      if (!view) {
        return;
      }
      setError('');
      setDraft({ plan: next, kept: false });
      waiting.current = next;
      if (sending.current) {
        return;
      }
      sending.current = true;
      void (async () => {
        try {
          for (let plan = waiting.current; plan; plan = waiting.current) {
            waiting.current = null;
            await api.setStrip(job, toTicket(view, plan));
            refresh(queries, job);
          }
          setDraft((d) => (d ? { ...d, kept: true } : null));
        } catch (e) {
          waiting.current = null;
          setError(e instanceof Error ? e.message : String(e));
          setDraft(null);
        } finally {
          sending.current = false;
        }
      })();
    },
    [job, queries, view],
  );
  const plan = useMemo(() => draft?.plan ?? (view ? planOf(view) : null), [draft, view]);
  return { plan, change, error };
}

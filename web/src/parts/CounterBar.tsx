import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, type Job, type Parts } from '../api/client';
import { useWork } from '../api/tasks';
import { refresh } from '../ticket/refresh';
import { Button } from '../ui/Button';
import { useNow } from '../ui/useNow';
import { age } from './words';
import type { PartsChange } from './usePartsChange';

/** What is shown is asked for anew when it is older than this. */
const STALE_MS = 15 * 60_000;

/**
 * How the counter stands and how old what it said is. Kinds it was never asked about are asked for
 * by themselves, in the background.
 */
export function CounterBar({
  job,
  parts,
  change,
}: {
  job: Job;
  parts: Parts;
  change: PartsChange;
}) {
  const queries = useQueryClient();
  const work = useWork();
  const { run } = work;
  const asked = useRef('');
  const { asOf, fault, unasked } = parts.counter;
  const ask = () =>
    run(
      () => api.askCounter(job.id),
      () => refresh(queries, job.id),
    );
  const now = useNow();
  const old = asOf !== '' && now - Date.parse(asOf) > STALE_MS;
  const key = `${job.id} ${job.version}`;
  useEffect(() => {
    if ((unasked > 0 || old) && fault === '' && asked.current !== key) {
      asked.current = key;
      run(
        () => api.askCounter(job.id),
        () => refresh(queries, job.id),
      );
    }
  }, [unasked, old, fault, key, job.id, queries, run]);
  return (
    <div className="border-edge/60 mb-2 flex items-center justify-between gap-2 border-b pb-2 text-[13px]">
      <p role="status" className="min-w-0">
        {work.state ? (
          <>
            Asking the parts counter: {work.state.done} of {work.state.of} …
          </>
        ) : fault ? (
          <span className="text-stop">
            {fault}{' '}
            {asOf ? `What is shown is what it said ${age(asOf, now)}.` : 'It was never reached.'}{' '}
            Nothing of yours is lost.
          </span>
        ) : asOf ? (
          <span className="text-faint">Parts counter: as of {age(asOf, now)}</span>
        ) : (
          <span className="text-faint">The parts counter was not asked yet.</span>
        )}
        {parts.newer > 0 && !work.state ? (
          <Button
            look="quiet"
            className="ml-1 underline decoration-dotted underline-offset-2"
            disabled={change.busy}
            onClick={() => change.make(() => api.refreshParts(job.id))}
          >
            {parts.newer} known otherwise now: take over
          </Button>
        ) : null}
      </p>
      {work.state ? (
        <Button onClick={work.cancel}>Stop</Button>
      ) : (
        <Button onClick={ask}>Ask again</Button>
      )}
    </div>
  );
}

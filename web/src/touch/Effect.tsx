import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { SEVERITIES } from '../check/FindingCard';
import { useView } from '../store/view';

/** What a touch, or all of them, do to the findings: what goes, and what comes. */
export function Effect({ job, touch }: { job: Job; touch: number | null }) {
  const queries = useQueryClient();
  const { run, state, error } = useWork();
  const key = ['effect', job.id, job.stamp, touch];
  const effect = useQuery({
    queryKey: key,
    queryFn: () => api.touchEffect(job.id, touch),
    placeholderData: (before) => before,
  });
  const tried = useRef('');
  const wanted = JSON.stringify(key);
  const missing = effect.isSuccess && !effect.isPlaceholderData && !effect.data.ready;
  useEffect(() => {
    // One that failed is not tried again by itself, or it would fail for ever.
    if (missing && tried.current !== wanted) {
      tried.current = wanted;
      run(
        () => api.lookForEffect(job.id, touch),
        () => void queries.invalidateQueries({ queryKey: ['effect', job.id] }),
      );
    }
  }, [missing, wanted, run, job.id, touch, queries]);
  if (!job.sheetId) {
    return <p className="text-faint text-[13px]">With a shop chosen, findings are held beside.</p>;
  }
  if (error) {
    return (
      <p role="alert" className="text-stop text-[13px]">
        {error}
      </p>
    );
  }
  if (state || !effect.data?.ready) {
    return <p className="text-faint text-[13px]">Checking without it and with it …</p>;
  }
  const { gone, come } = effect.data;
  return (
    <div data-effect={`${gone.length} ${come.length}`} className="mt-1 text-[13px]">
      <Some
        says={gone.length === 0 ? 'Mends no finding' : `Mends ${count(gone.length)}`}
        findings={gone}
        className={gone.length > 0 ? 'text-good' : 'text-faint'}
      />
      {come.length > 0 ? (
        <Some says={`Brings ${count(come.length)}`} findings={come} className="text-stop" />
      ) : (
        <p className="text-faint">Brings none.</p>
      )}
    </div>
  );
}

const count = (n: number) => `${n} finding${n === 1 ? '' : 's'}`;

type Short = Awaited<ReturnType<typeof api.touchEffect>>['gone'][number];

function Some({
  says,
  findings,
  className,
}: {
  says: string;
  findings: readonly Short[];
  className: string;
}) {
  const lookAt = useView((s) => s.lookAt);
  return (
    <details>
      <summary className={`cursor-pointer font-semibold ${className}`}>{says}</summary>
      <ul>
        {findings.map((f) => (
          <li key={f.id} data-rule={f.rule} className="border-edge/60 border-b py-0.5">
            <button
              type="button"
              className="text-left hover:underline"
              title={f.message}
              onClick={() =>
                f.everywhere
                  ? undefined
                  : lookAt({ key: `found ${f.id}`, x: f.at.x, y: f.at.y, span: 6e6 })
              }
            >
              <span
                className={`mr-1.5 inline-block h-2 w-2 rounded-full ${SEVERITIES[f.severity]?.className ?? ''}`}
              />
              {f.title}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

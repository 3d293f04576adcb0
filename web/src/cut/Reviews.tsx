import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job, type Review } from '../api/client';
import { go, type Station } from '../router';
import { Button } from '../ui/Button';
import { keepName, lastName } from '../ui/who';

/** Where each subject is looked at. */
export const WHERE: Record<string, Station> = {
  findings: 'check',
  parts: 'parts',
  placement: 'parts',
  polarity: 'parts',
  stencil: 'stencil',
};

const TITLES: Record<string, string> = {
  findings: 'Findings',
  parts: 'Parts',
  placement: 'Placement',
  polarity: 'Polarity',
  stencil: 'Stencil',
};

/** What should be looked at before the cut, and who did: marked by name, nothing more. */
export function Reviews({ job, only }: { job: Job; only?: readonly string[] }) {
  const queries = useQueryClient();
  const [by, setBy] = useState(lastName());
  const items = job.reviews.filter((r) => !only || only.includes(r.subject));
  const open = items.filter((r) => !r.by);
  const sign = useMutation({
    mutationFn: ({ some, name }: { some: readonly Review[]; name: string | null }) =>
      api.review(job.id, some, name),
    onSuccess: (_, { name }) => {
      if (name) {
        keepName(name);
      }
      void queries.invalidateQueries({ queryKey: ['job', job.id] });
    },
  });
  if (items.length === 0) {
    return null;
  }
  return (
    <section aria-label="Reviewed before the cut" className="my-2" data-open-reviews={open.length}>
      {only ? null : <h2 className="mt-4 mb-1 font-semibold">To review before the cut</h2>}
      <ul>
        {items.map((r) => (
          <li key={r.subject} data-review={r.subject} className="border-edge/60 border-b py-1">
            <div className="flex items-baseline gap-2">
              <span aria-hidden className={r.by ? 'text-good' : 'text-look'}>
                {r.by ? '✓' : '!'}
              </span>
              <span className="min-w-0 grow">
                <b className="font-semibold">{TITLES[r.subject]}:</b> {r.says}
                <span className="text-faint block text-[13px]">
                  {r.by
                    ? `reviewed by ${r.by}`
                    : r.lapsed
                      ? `changed since ${r.lapsed} reviewed it`
                      : 'not reviewed yet'}
                </span>
              </span>
              {only ? null : (
                <Button
                  className="shrink-0 px-2 py-0 text-[13px] whitespace-nowrap"
                  onClick={() => go({ job: job.id, station: WHERE[r.subject] ?? 'cut' })}
                >
                  Look
                </Button>
              )}
              <Button
                className="shrink-0 px-2 py-0 text-[13px] whitespace-nowrap"
                disabled={sign.isPending || (!r.by && by.trim() === '')}
                onClick={() => sign.mutate({ some: [r], name: r.by ? null : by.trim() })}
              >
                {r.by ? 'Take back' : 'Mark reviewed'}
              </Button>
            </div>
          </li>
        ))}
      </ul>
      {open.length > 0 ? (
        <div className="mt-1.5 flex items-center gap-2">
          <label className="flex min-w-0 grow items-center gap-2">
            <span className="shrink-0">Your name</span>
            <input
              name="reviewed-by"
              value={by}
              maxLength={80}
              onChange={(e) => setBy(e.target.value)}
              className="border-edge bg-card w-full min-w-0 rounded border px-2 py-0.5"
            />
          </label>
          {open.length > 1 ? (
            <Button
              className="shrink-0 px-2 py-0.5"
              disabled={sign.isPending || by.trim() === ''}
              onClick={() => sign.mutate({ some: open, name: by.trim() })}
            >
              Mark all {open.length} reviewed
            </Button>
          ) : null}
        </div>
      ) : null}
      {sign.error ? (
        <p role="alert" className="text-stop mt-1">
          {sign.error.message}
        </p>
      ) : null}
    </section>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotice } from './notice';
import { useSteps } from './useSteps';

/** Undo, redo, and the list of what was done. */
export function Steps({ job }: { job: Job }) {
  const { undo, redo } = useSteps(job);
  const says = useNotice((s) => s.says);
  const [listing, setListing] = useState(false);
  return (
    <section aria-label="What was done" className="border-edge border-t px-3 pt-2">
      <div className="flex gap-1">
        <Button
          className="px-2"
          disabled={!job.undo}
          title={job.undo ? `Undo (Ctrl Z): ${job.undo.says}` : 'Nothing to undo'}
          onClick={undo}
        >
          Undo
        </Button>
        <Button
          className="px-2"
          disabled={!job.redo}
          title={job.redo ? `Redo (Ctrl Shift Z): ${job.redo.says}` : 'Nothing to redo'}
          onClick={redo}
        >
          Redo
        </Button>
        <Button look="quiet" className="px-1.5 underline" onClick={() => setListing(true)}>
          steps …
        </Button>
      </div>
      <p role="status" className="text-faint mt-1 line-clamp-3 text-[12.5px] leading-tight">
        {says}
      </p>
      {listing ? <StepList job={job} onClose={() => setListing(false)} /> : null}
    </section>
  );
}

/** Every step with its time; each can be gone back or forward to. */
function StepList({ job, onClose }: { job: Job; onClose: () => void }) {
  const { goTo } = useSteps(job);
  const history = useQuery({
    queryKey: ['history', job.id, job.version],
    queryFn: () => api.history(job.id),
    placeholderData: (before) => before,
  });
  const steps = history.data?.steps ?? [];
  const here = steps.findIndex((s) => s.version === history.data?.version);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="What was done">
      <p className="text-faint mb-2">
        Click a step to go back or forward to it. Nothing is lost until something else is chosen.
      </p>
      <ol aria-label="Steps">
        {steps.map((s, i) => (
          <li key={s.version}>
            <button
              type="button"
              aria-current={i === here ? 'step' : undefined}
              data-version={s.version}
              onClick={() =>
                i === here
                  ? undefined
                  : goTo(s.version, i < here ? `Back to: ${s.says}` : `Forward to: ${s.says}`)
              }
              className={`hover:bg-paper aria-[current]:border-sienna flex w-full items-baseline gap-3 border-l-4 border-transparent px-2 py-1 text-left ${i > here ? 'text-faint' : ''}`}
            >
              <span className="num text-faint w-5 shrink-0 text-right" title="Version">
                {s.version}
              </span>
              <span className="num text-faint w-[150px] shrink-0 whitespace-nowrap">
                {s.at.replace('T', ' ').replace(/:\d\dZ$/, ' UTC')}
              </span>
              <span className="min-w-0">
                {s.says}
                {i > here ? <span className="text-[12.5px]"> (undone)</span> : null}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </Dialog>
  );
}

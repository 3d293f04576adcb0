import { useQuery } from '@tanstack/react-query';
import { api, type Cut, type Job } from '../api/client';

/**
 * Whether other things are chosen now than when the newest cut was made. How many are ordered, and
 * what no file depends on, needs no other cut.
 */
export function isOlder(cut: Cut | undefined, job: Job): boolean {
  return (
    cut !== undefined &&
    cut.version > 0 &&
    !job.cutStands &&
    (cut.revision !== job.revision || cut.version !== job.version)
  );
}

/** What was chosen since the newest cut was made: it holds none of it. */
export function ChangedSince({ cut, job }: { cut: Cut; job: Job }) {
  const history = useQuery({
    queryKey: ['history', job.id, job.version],
    queryFn: () => api.history(job.id),
    enabled: isOlder(cut, job),
  });
  if (!isOlder(cut, job)) {
    return null;
  }
  const steps = (history.data?.steps ?? []).filter(
    (s) => s.version > cut.version && s.version <= job.version,
  );
  return (
    <div role="status" className="border-look bg-card mb-3 rounded border-l-4 p-3">
      <p className="font-semibold">Changed since cut {cut.number}</p>
      <p>
        {cut.revision !== job.revision
          ? `Revision ${job.revision} was brought in after it. `
          : steps.length === 0 && history.isSuccess
            ? 'Choices made before it were undone. '
            : ''}
        Make a new cut to hand this over.
      </p>
      {steps.length > 0 ? (
        <ul
          aria-label={`Changed since cut ${cut.number}`}
          className="text-faint mt-1 list-disc pl-5"
        >
          {steps.map((s) => (
            <li key={s.version}>{s.says}</li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

import { useMutation } from '@tanstack/react-query';
import { api, type Check, type Finding, type Job } from '../api/client';
import { go } from '../router';
import { useView } from '../store/view';
import { MendThis } from '../touch/MendThis';
import { length, type Unit } from '../units';
import { Button } from '../ui/Button';
import { alike, neighbours } from './findings';

export const SEVERITIES: Record<string, { word: string; className: string }> = {
  stop: { word: 'stop', className: 'bg-stop' },
  look: { word: 'look', className: 'bg-look' },
  note: { word: 'note', className: 'bg-note' },
};

export function measure(f: Finding, unit: Unit): string {
  if (f.unit === 'mm') {
    return `${length(f.measured * 1e6, unit)} / ${length(f.limit * 1e6, unit)}`;
  }
  return `${f.measured} / ${f.limit} ${f.unit}`;
}

/** One finding in the list; the chosen one unfolds. */
export function FindingCard({
  job,
  finding: f,
  all,
  onChanged,
}: {
  job: Job;
  finding: Finding;
  all: readonly Finding[];
  onChanged: (now: Check) => void;
}) {
  const view = useView();
  const chosen = f.id === view.finding;
  const takeBack = useMutation({
    mutationFn: () => api.takeBack(job.id, f.id),
    onSuccess: onChanged,
  });
  const same = chosen && !f.signOff ? alike(all, f) : [];
  const near = chosen ? neighbours(all, f) : [];
  return (
    <li
      id={`finding-${f.id}`}
      data-finding={f.id}
      data-rule={f.rule}
      data-chosen={chosen}
      className="border-edge data-[chosen=true]:border-sienna bg-card mb-1.5 rounded border data-[chosen=true]:border-2"
    >
      <button
        type="button"
        className="block w-full px-2.5 py-1.5 text-left"
        onClick={() => view.selectFinding(f.id)}
      >
        <span className="flex items-center gap-2">
          <span
            className={`num rounded px-1.5 font-semibold text-white ${f.signOff ? 'bg-good' : (SEVERITIES[f.severity]?.className ?? '')}`}
          >
            {f.number}
          </span>
          <span className="font-semibold">{f.title}</span>
          <span className="text-faint ml-auto text-[13px] whitespace-nowrap">
            {f.isNew ? <b className="text-[#7a2f5d] mr-1 font-semibold">new</b> : null}
            {f.signOff ? 'signed off' : SEVERITIES[f.severity]?.word}
          </span>
        </span>
        <span className="num block">{measure(f, view.unit)}</span>
        <span className="text-faint block truncate text-[13px]">
          {[...f.nets, ...f.parts].slice(0, 4).join(', ')}
        </span>
      </button>
      {chosen ? (
        <div className="px-2.5 pb-2">
          <p>{f.message}</p>
          {f.layers.includes('panel') ? (
            <Button className="mt-1" onClick={() => go({ job: job.id, station: 'panel' })}>
              Show it on the panel
            </Button>
          ) : null}
          {f.lapsed ? (
            <p className="text-look mt-1">
              {f.lapsed.by} signed this off on revision {f.lapsed.revision} (“{f.lapsed.reason}”),
              but it got worse since. Look again.
            </p>
          ) : null}
          {f.signOff ? (
            <p className="text-good mt-1">
              Signed off by {f.signOff.by}
              {f.signOff.revision < job.revision
                ? ` on revision ${f.signOff.revision}, carried over`
                : ''}
              : “{f.signOff.reason}”
              <Button
                look="quiet"
                className="ml-1 py-0 underline"
                onClick={() => takeBack.mutate()}
              >
                take back
              </Button>
            </p>
          ) : (
            <div className="mt-1.5 flex flex-wrap gap-1.5">
              <MendThis job={job} finding={f.id} />
              <Button onClick={() => view.sign([f.id])}>Sign off …</Button>
              {same.length > 1 ? (
                <Button onClick={() => view.sign(same.map((x) => x.id))}>
                  All {same.length} alike …
                </Button>
              ) : null}
            </div>
          )}
          {near.length > 0 ? (
            <p className="text-faint mt-1.5 text-[13px]">
              Near it:{' '}
              {near.map((n) => (
                <button
                  key={n.id}
                  type="button"
                  className="mr-1.5 underline"
                  onClick={() => view.selectFinding(n.id)}
                >
                  {n.number} {n.title.toLowerCase()}
                </button>
              ))}
            </p>
          ) : null}
        </div>
      ) : null}
    </li>
  );
}

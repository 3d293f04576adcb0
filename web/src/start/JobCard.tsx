import { useState } from 'react';
import { api, type JobLine } from '../api/client';
import { go } from '../router';
import { shortTime } from '../times';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

function state(j: JobLine, shop: string): string {
  const at = j.shop === '' ? 'no shop yet' : `for ${shop}`;
  return j.cuts > 0 ? `${j.cuts} ${j.cuts === 1 ? 'cut' : 'cuts'}, ${at}` : at;
}

/** One job: its picture, where it stands, what was done last, and what can be done with it. */
export function JobCard({
  job: j,
  shop,
  onChange,
}: {
  job: JobLine;
  shop: string;
  onChange: (of: Promise<unknown>) => void;
}) {
  const [name, setName] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const rename = () => {
    if (name !== null && name.trim() !== '' && name !== j.name) {
      onChange(api.changeJob(j.id, { name }));
    }
    setName(null);
  };
  return (
    <li data-job={j.id} className="border-edge bg-card rounded border p-2.5">
      <div className="flex gap-3">
        <button
          type="button"
          aria-label={`Open ${j.name}`}
          onClick={() => go({ job: j.id, station: 'look-over' })}
          className="bg-paper border-edge flex h-[92px] w-[132px] shrink-0 items-center justify-center rounded border"
        >
          {j.face ? (
            <img
              src={`/api/jobs/${j.id}/picture/face?revision=${j.revision}`}
              alt=""
              width={132}
              height={92}
            />
          ) : (
            <span className="text-faint text-[13px]">not read yet</span>
          )}
        </button>
        <div className="min-w-0 grow">
          {name === null ? (
            <button
              type="button"
              onClick={() => go({ job: j.id, station: 'look-over' })}
              className="hover:text-petrol block max-w-full truncate text-left font-semibold"
            >
              {j.name}
            </button>
          ) : (
            <input
              aria-label="New name"
              value={name}
              maxLength={120}
              autoFocus
              onChange={(e) => setName(e.target.value)}
              onBlur={rename}
              onKeyDown={(e) => {
                if (e.key === 'Enter') rename();
                if (e.key === 'Escape') setName(null);
              }}
              className="border-edge bg-card w-full rounded border px-1"
            />
          )}
          <div className="text-[13.5px]">
            {state(j, shop)}
            {j.revision > 1 ? `, revision ${j.revision}` : ''}
          </div>
          <div className="text-faint line-clamp-2 text-[13px]" title={j.last}>
            {j.last}
          </div>
          <div className="num text-faint text-[12.5px]">{shortTime(j.at)}</div>
        </div>
      </div>
      <div className="mt-1.5 flex gap-0.5 text-[13px]">
        <Button look="quiet" className="py-0" onClick={() => setName(j.name)}>
          Rename
        </Button>
        <Button look="quiet" className="py-0" onClick={() => onChange(api.copyJob(j.id))}>
          Copy
        </Button>
        <Button
          look="quiet"
          className="py-0"
          onClick={() => onChange(api.changeJob(j.id, { archived: !j.archived }))}
        >
          {j.archived ? 'Back on the bench' : 'Lay aside'}
        </Button>
        <a
          href={`/api/jobs/${j.id}/whole`}
          download
          title="The whole job, with its steps and cuts, as one file"
          className="hover:bg-edge/50 rounded border border-transparent px-2.5 py-1"
        >
          As a file
        </a>
        <Button look="quiet" className="text-stop ml-auto py-0" onClick={() => setAsking(true)}>
          Delete …
        </Button>
      </div>
      <Dialog open={asking} onOpenChange={setAsking} title={`Delete ${j.name}?`}>
        <p>
          It goes from the list, with its {j.revision === 1 ? 'files' : `${j.revision} revisions`}
          {j.cuts > 0 ? ` and ${j.cuts} ${j.cuts === 1 ? 'cut' : 'cuts'}` : ''}. You can take it
          back below the list.
        </p>
        <div className="mt-3 flex gap-2">
          <Button
            look="main"
            onClick={() => {
              setAsking(false);
              onChange(api.changeJob(j.id, { deleted: true }));
            }}
          >
            Delete it
          </Button>
          <Button onClick={() => setAsking(false)}>Keep it</Button>
        </div>
      </Dialog>
    </li>
  );
}

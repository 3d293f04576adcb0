import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type JobLine } from '../api/client';
import { DropField } from '../bringin/DropField';
import { Button, Toggle } from '../ui/Button';
import { JobCard } from './JobCard';
import { matching } from './matching';

/** The way in: a board on the bench, or a new one. */
export function Start() {
  const queries = useQueryClient();
  const [text, setText] = useState('');
  const [aside, setAside] = useState(false);
  const [error, setError] = useState('');
  const jobs = useQuery({
    queryKey: ['jobs'],
    queryFn: api.jobs,
    // Boards come in while the page is open: from the demo, or from another window.
    refetchInterval: 2000,
  });
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets, staleTime: Infinity });
  const shop = (id: string) => sheets.data?.find((s) => s.id === id)?.name ?? id;
  const change = (of: Promise<unknown>) => {
    setError('');
    of.then(() => queries.invalidateQueries({ queryKey: ['jobs'] })).catch((e: unknown) =>
      setError(e instanceof Error ? e.message : String(e)),
    );
  };
  const all = jobs.data ?? [];
  const there = all.filter((j) => !j.deleted);
  const gone = all.filter((j) => j.deleted);
  const archived = there.filter((j) => j.archived).length;
  // With none laid aside there is no button to come back by.
  const shown = matching(there, text, aside && archived > 0);
  return (
    <main className="h-full grow overflow-auto p-8">
      <div className="mx-auto w-[860px] max-w-full">
        <h1 className="mb-1 text-2xl font-semibold">Bring a board in</h1>
        <p className="text-faint mb-3">
          Your layout is done. Here it is looked over, held against what the shop can really do, and
          every file for it is made.
        </p>
        <DropField tall />
        {jobs.data ? (
          <div className="mt-5 mb-2 flex items-center gap-2">
            <h2 className="grow font-semibold">{there.length > 0 ? 'On the bench' : ''}</h2>
            <OpenFile onOpened={change} />
            <input
              type="search"
              aria-label="Find a job"
              placeholder="find a job"
              value={text}
              onChange={(e) => setText(e.target.value)}
              className="border-edge bg-card w-56 rounded border px-2 py-0.5"
            />
            {archived > 0 ? (
              <Toggle on={aside} onClick={() => setAside(!aside)}>
                Laid aside <span className="num">{archived}</span>
              </Toggle>
            ) : null}
          </div>
        ) : null}
        {error ? (
          <p role="alert" className="text-stop mb-2">
            {error}
          </p>
        ) : null}
        {there.length > 0 && shown.length === 0 ? (
          <p className="text-faint">No job has that in its name, shop or last act.</p>
        ) : null}
        <ul aria-label="Jobs" className="grid grid-cols-2 gap-2.5">
          {shown.map((j) => (
            <JobCard key={j.id} job={j} shop={shop(j.shop)} onChange={change} />
          ))}
        </ul>
        {gone.length > 0 ? <Gone gone={gone} onChange={change} /> : null}
      </div>
    </main>
  );
}

/** A job that was taken elsewhere as one file; and a copy of everything there is here. */
function OpenFile({ onOpened }: { onOpened: (of: Promise<unknown>) => void }) {
  return (
    <>
      <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol cursor-pointer rounded border px-2.5 py-0.5 focus-within:outline-2">
        Open a job’s file …
        <input
          type="file"
          accept=".lastcut"
          aria-label="Open a job's file"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) onOpened(api.unpackJob(file));
          }}
        />
      </label>
      <a
        href="/api/database"
        download
        title="The database as it is now, to be kept elsewhere"
        className="underline"
      >
        Copy of everything
      </a>
    </>
  );
}

/** Deleted jobs, which can be taken back. */
function Gone({
  gone,
  onChange,
}: {
  gone: readonly JobLine[];
  onChange: (of: Promise<unknown>) => void;
}) {
  return (
    <ul aria-label="Deleted jobs" className="mt-4">
      {gone.map((j) => (
        <li key={j.id} className="text-faint flex items-center gap-2">
          {j.name} was deleted.
          <Button look="quiet" onClick={() => onChange(api.changeJob(j.id, { deleted: false }))}>
            Take it back
          </Button>
        </li>
      ))}
    </ul>
  );
}

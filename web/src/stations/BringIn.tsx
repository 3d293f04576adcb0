import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { Working } from '../ui/Working';
import { collect, type Dropped } from './dropped';

const ROLES = [
  'copper-top',
  'copper-inner-1',
  'copper-inner-2',
  'copper-bottom',
  'mask-top',
  'mask-bottom',
  'paste-top',
  'paste-bottom',
  'silk-top',
  'silk-bottom',
  'outline',
  'plated-holes',
  'unplated-holes',
  'mixed-holes',
  'netlist',
  'parts-list',
  'placement',
  'unknown',
];

/** A field that takes a zip, a folder or loose files. */
export function DropField({ tall }: { tall: boolean }) {
  const queries = useQueryClient();
  const work = useWork();
  const [over, setOver] = useState(false);
  const bringIn = (files: Dropped[]) => {
    if (files.length === 0) {
      return;
    }
    work.run(
      () => api.bringIn(files),
      (done) => {
        void queries.invalidateQueries({ queryKey: ['jobs'] });
        go({ job: Number(done.result), station: 'look-over' });
      },
    );
  };
  const picked = (list: FileList | null) =>
    bringIn(
      [...(list ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file })),
    );
  return (
    <div>
      <div
        data-over={over}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          void collect(e.dataTransfer).then(bringIn);
        }}
        className={`border-faint/60 data-[over=true]:border-sienna data-[over=true]:bg-card flex flex-col items-center justify-center gap-2 rounded-md border-2 border-dashed px-4 text-center ${tall ? 'min-h-60' : 'py-4'}`}
      >
        <p className={tall ? 'text-lg font-semibold' : 'font-semibold'}>Drop the files here</p>
        <p className="text-faint">
          A zip, a folder, or the loose Gerber, drill, netlist, parts and placement files.
        </p>
        <div className="flex gap-2">
          <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
            Choose files
            <input
              type="file"
              multiple
              aria-label="Choose files"
              className="sr-only"
              onChange={(e) => picked(e.target.files)}
            />
          </label>
          <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
            Choose a folder
            <input
              type="file"
              aria-label="Choose a folder"
              className="sr-only"
              ref={(input) => input?.setAttribute('webkitdirectory', '')}
              onChange={(e) => picked(e.target.files)}
            />
          </label>
        </div>
      </div>
      <Working work={work} />
    </div>
  );
}

/** The files of a job, what each was taken for, and why. */
export function BringIn({ job }: { job: Job }) {
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: ({ path, role }: { path: string; role: string }) => api.setRole(job.id, path, role),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  return (
    <Panel
      title="Bring in"
      lead={`${job.files.length} files. Each was given a role from its content; your word wins.`}
    >
      {choose.error ? (
        <p role="alert" className="text-stop mb-2">
          {choose.error.message}
        </p>
      ) : null}
      <ul>
        {job.files.map((f) => (
          <li key={f.path} className="border-edge/60 border-b py-1.5">
            <div className="flex items-center gap-2">
              <span className="min-w-0 grow leading-tight font-semibold break-words" title={f.path}>
                {f.path}
              </span>
              <Select
                label={`Role of ${f.path}`}
                className="w-36 shrink-0"
                value={f.role}
                onValueChange={(role) => choose.mutate({ path: f.path, role })}
                options={ROLES.map((r) => ({ value: r, text: r.replaceAll('-', ' ') }))}
              />
            </div>
            <div className="text-faint text-[13px]">
              {!f.chosen && f.confidence < 0.5 ? (
                <b className="text-look font-semibold">doubtful: </b>
              ) : null}
              {f.evidence}
              {f.chosen ? (
                <Button
                  look="quiet"
                  className="ml-1 py-0 underline"
                  onClick={() => choose.mutate({ path: f.path, role: '' })}
                >
                  take back
                </Button>
              ) : (
                <span className="num ml-1.5">{Math.round(f.confidence * 100)} %</span>
              )}
            </div>
          </li>
        ))}
      </ul>
      {job.problems.length > 0 ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">What was wrong in the files</h2>
          <ul aria-label="Problems">
            {job.problems.map((p, i) => (
              <li key={i} className="border-look/50 mb-1.5 border-l-2 pl-2">
                <span className="num">
                  {p.file}
                  {p.line > 0 ? `, line ${p.line}` : ''}
                </span>
                <br />
                {p.text} <span className="text-faint">→ {p.action}</span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <h2 className="mt-5 mb-2 font-semibold">Another board</h2>
      <DropField tall={false} />
    </Panel>
  );
}

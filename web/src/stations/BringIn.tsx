import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Changes, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { useView } from '../store/view';
import { ADDED, hexOfInk, REMOVED } from '../table/inks';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Fact, Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { Working } from '../ui/Working';
import { collect, type Dropped } from './dropped';

const MOST_INNER = 30;

/** Every role; inner copper as far as the job has it and one more. */
function rolesFor(job: Job): string[] {
  const inner = job.files.map((f) => Number(/^copper-inner-(\d+)$/.exec(f.role)?.[1] ?? 0));
  const count = Math.min(MOST_INNER, Math.max(2, ...inner) + 1);
  return [
    'copper-top',
    ...Array.from({ length: count }, (_, i) => `copper-inner-${i + 1}`),
    ...OTHER_ROLES,
  ];
}

const OTHER_ROLES = [
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

/**
 * A field that takes a zip, a folder or loose files: for a new job, or for the next revision of one.
 */
export function DropField({ tall, again = null }: { tall: boolean; again?: number | null }) {
  const queries = useQueryClient();
  const work = useWork();
  const [over, setOver] = useState(false);
  const bringIn = (files: Dropped[]) => {
    if (files.length === 0) {
      return;
    }
    work.run(
      () => api.bringIn(files, again),
      (done) => {
        if (again !== null) {
          void queries.invalidateQueries({ queryKey: ['job', again] });
          useView.getState().setShowChanges(true);
          return;
        }
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
        data-again={again ?? undefined}
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
        <p className={tall ? 'text-lg font-semibold' : 'font-semibold'}>
          {again === null ? 'Drop the files here' : 'Drop the newer files here'}
        </p>
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

const UNITS = [
  { value: '1000000', text: 'mm' },
  { value: '25400000', text: 'inch' },
  { value: '25400', text: 'mil' },
];

type FileView = Job['files'][number];

/** The unit in words as nm: "px (96 to the inch)", "0.352778 mm" or one of the usual ones. */
function unitOf(words: string): number {
  const usual = UNITS.find((u) => u.text === words);
  return usual
    ? Number(usual.value)
    : words.startsWith('px')
      ? 25.4e6 / 96
      : parseFloat(words) * 1e6;
}

/** How the file's numbers are read, where that is not beyond doubt or was chosen. */
function Numbers({ job, file }: { job: Job; file: FileView }) {
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: ({ format, unitNm }: { format: string; unitNm: number }) =>
      api.setNumbers(job.id, file.path, format, unitNm),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const settled = file.numbersStated && !file.chosen;
  if (!file.asks || file.applied || (file.asks === 'format' && settled)) {
    return null;
  }
  const units = UNITS.some((u) => u.text === file.numbers)
    ? UNITS
    : [{ value: 'now', text: file.numbers }, ...UNITS];
  return (
    <div className="mt-0.5 flex flex-wrap items-center gap-1.5 text-[13px] whitespace-nowrap">
      <span className={file.numbersStated ? 'text-faint' : 'text-look font-semibold'}>
        {file.numbersStated ? 'read as' : 'not stated; read as'}
      </span>
      {file.asks === 'format' ? (
        <Select
          label={`Number format of ${file.path}`}
          className="grow"
          value={file.numbers}
          onValueChange={(format) => choose.mutate({ format, unitNm: 0 })}
          options={job.drillFormats.map((f) => ({ value: f, text: f }))}
        />
      ) : (
        <>
          <Select
            label={`Unit of ${file.path}`}
            className="w-32"
            value={units.find((u) => u.text === file.numbers)?.value ?? 'now'}
            onValueChange={(unit) =>
              unit === 'now' ? undefined : choose.mutate({ format: '', unitNm: Number(unit) })
            }
            options={units}
          />
          {file.numbersStated ? null : (
            <Button
              className="py-0"
              onClick={() => choose.mutate({ format: '', unitNm: unitOf(file.numbers) })}
            >
              Yes
            </Button>
          )}
        </>
      )}
      {choose.error ? <span className="text-stop">{choose.error.message}</span> : null}
    </div>
  );
}

/** What would bring a file into place, and the way back. */
function Place({ job, file }: { job: Job; file: FileView }) {
  const queries = useQueryClient();
  const correct = useMutation({
    mutationFn: (apply: boolean) => api.correct(job.id, file.path, apply),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  if (!file.suggested && !file.applied) {
    return null;
  }
  return (
    <div className="border-look/60 mt-1 border-l-2 pl-2 text-[13px]">
      {file.suggested ? (
        <p>
          <b className="text-look font-semibold">Does not lie on the others.</b> It would when{' '}
          {file.suggested}.{' '}
          <Button className="py-0" onClick={() => correct.mutate(true)}>
            Put it right
          </Button>
        </p>
      ) : null}
      {file.applied ? (
        <p>
          Put right by you: {file.applied}.{' '}
          <Button look="quiet" className="py-0 underline" onClick={() => correct.mutate(false)}>
            undo
          </Button>
        </p>
      ) : null}
      {correct.error ? <p className="text-stop">{correct.error.message}</p> : null}
    </div>
  );
}

function counted(n: number, what: string): string {
  return `${n} ${what}${n === 1 ? '' : 's'}`;
}

/** What the newest revision changed, each change a click away on the table. */
function ChangeList({ changes }: { changes: Changes }) {
  const shown = useView((s) => s.showChanges);
  const setShown = useView((s) => s.setShowChanges);
  const unit = useView((s) => s.unit);
  const lookAt = useView((s) => s.lookAt);
  const goTo = (x: number, y: number) =>
    lookAt({ key: `found change ${x} ${y}`, x, y, span: 10e6 });
  const none = changes.layers.length + changes.holes.length + changes.parts.length === 0;
  return (
    <section aria-label="Changes" className="mb-4">
      <h2 className="mb-1 font-semibold">Changed since revision {changes.since}</h2>
      {none ? <p className="text-faint">Nothing: layers, holes and parts are the same.</p> : null}
      {changes.layers.length > 0 ? (
        <>
          <label className="mb-1 flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={shown}
              onChange={(e) => setShown(e.target.checked)}
              className="accent-petrol"
            />
            show on the table:
            <Swatch color={hexOfInk(ADDED)} /> added
            <Swatch color={hexOfInk(REMOVED)} /> removed
          </label>
          {changes.layers.map((l) => (
            <Fact key={l.role} name={l.words}>
              +{l.addedMm2.toFixed(3)} −{l.removedMm2.toFixed(3)} mm²
            </Fact>
          ))}
        </>
      ) : null}
      {changes.holes.length > 0 ? (
        <h3 className="text-faint mt-2">{counted(changes.holes.length, 'hole')}</h3>
      ) : null}
      <ul>
        {changes.holes.slice(0, 100).map((h, i) => (
          <li key={i}>
            <button
              type="button"
              className="hover:text-petrol text-left"
              onClick={() => goTo(h.x, h.y)}
            >
              {h.what}{' '}
              <span className="num text-faint text-[13px]">
                {length(h.x, unit)}, {length(h.y, unit)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {changes.parts.length > 0 ? (
        <h3 className="text-faint mt-2">{counted(changes.parts.length, 'part')}</h3>
      ) : null}
      <ul>
        {changes.parts.slice(0, 200).map((p) => (
          <li key={p.designator}>
            <button
              type="button"
              disabled={p.x == null || p.y == null}
              className="enabled:hover:text-petrol text-left"
              onClick={() => goTo(p.x ?? 0, p.y ?? 0)}
            >
              <b className="num font-semibold">{p.designator}</b> {p.what}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Swatch({ color }: { color: string }) {
  return (
    <span
      className="border-ink/30 inline-block h-3 w-3 rounded-sm border"
      style={{ background: color }}
    />
  );
}

/** The files of a job, what each was taken for, and why. */
export function BringIn({ job, changes }: { job: Job; changes: Changes | null }) {
  const queries = useQueryClient();
  const solo = useView((s) => s.setFilms);
  const choose = useMutation({
    mutationFn: ({ path, role }: { path: string; role: string }) => api.setRole(job.id, path, role),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const roles = rolesFor(job);
  const alone = (role: string) =>
    solo(
      Object.fromEntries(
        [...job.layers.map((l) => l.role), 'holes'].map((r) => [r, r === role ? 'on' : 'off']),
      ),
    );
  return (
    <Panel
      title="Bring in"
      lead={`${job.files.length} files${job.revision > 1 ? `, revision ${job.revision}` : ''}. Each was given a role from its content; your word wins.`}
    >
      {changes && changes.since > 0 ? <ChangeList changes={changes} /> : null}
      {choose.error ? (
        <p role="alert" className="text-stop mb-2">
          {choose.error.message}
        </p>
      ) : null}
      <ul>
        {job.files.map((f) => (
          <li key={f.path} className="border-edge/60 border-b py-1.5">
            <div className="flex items-center gap-2">
              <button
                type="button"
                title={`${f.path}: show this film alone`}
                disabled={!job.layers.some((l) => l.role === f.role)}
                onClick={() => alone(f.role)}
                className="enabled:hover:text-petrol min-w-0 grow text-left leading-tight font-semibold break-words"
              >
                {f.path}
              </button>
              <Select
                label={`Role of ${f.path}`}
                className="w-36 shrink-0"
                value={f.role}
                onValueChange={(role) => choose.mutate({ path: f.path, role })}
                options={roles.map((r) => ({ value: r, text: r.replaceAll('-', ' ') }))}
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
            <Numbers job={job} file={f} />
            <Place job={job} file={f} />
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
      <h2 className="mt-5 mb-2 font-semibold">Newer files of this board</h2>
      <p className="text-faint mb-1.5 text-[13px]">
        Roles and choices are kept; what changed is listed and shown on the table.
      </p>
      <DropField tall={false} again={job.id} />
      <h2 className="mt-5 mb-2 font-semibold">Another board</h2>
      <DropField tall={false} />
    </Panel>
  );
}

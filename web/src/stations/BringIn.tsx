import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Changes, type Job } from '../api/client';
import { ChangeList } from '../bringin/ChangeList';
import { Columns } from '../bringin/Columns';
import { hasColumns } from '../bringin/columns';
import { DropField } from '../bringin/DropField';
import { shortened } from '../bringin/evidence';
import { Numbers } from '../bringin/Numbers';
import { Place } from '../bringin/Place';
import { Sizes } from '../bringin/Sizes';
import { Questions } from '../bringin/Questions';
import { openCount, rolesFor, roleWords, type Answer, type JobFile } from '../bringin/roles';
import { useView } from '../store/view';
import { TicketFile } from '../ticket/TicketFile';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';
import { Select } from '../ui/Select';

interface Split {
  here: readonly Answer[];
  there: readonly Answer[];
}

type Say = (answers: readonly Answer[]) => void;

/** The first reason on one line, all others behind "why". */
function Evidence({ file }: { file: JobFile }) {
  const { first, rest } = shortened(file.evidence);
  if (rest.length === 0 && !file.against) {
    return <>{first}</>;
  }
  return (
    <>
      {first}{' '}
      <details className="inline">
        <summary className="text-petrol inline cursor-pointer underline">why</summary>
        <ul className="mt-0.5 list-disc pl-4">
          {rest.map((r) => (
            <li key={r}>{r}</li>
          ))}
          {file.against
            ? file.against.split('; ').map((r) => (
                <li key={r} className="text-look">
                  against it: {r}
                </li>
              ))
            : null}
        </ul>
      </details>
    </>
  );
}

/** A file, what it was taken for, and what speaks for and against it. */
function FileRow({ job, file, say }: { job: Job; file: JobFile; say: Say }) {
  const setFilms = useView((s) => s.setFilms);
  const alone = () =>
    setFilms(
      Object.fromEntries(
        [...job.layers.map((l) => l.role), 'holes'].map((r) => [r, r === file.role ? 'on' : 'off']),
      ),
    );
  return (
    <li className="border-edge/60 border-b py-1.5">
      <div className="flex items-center gap-2">
        <button
          type="button"
          title={`${file.path}: show this film alone`}
          disabled={!job.layers.some((l) => l.role === file.role)}
          onClick={alone}
          className="enabled:hover:text-petrol min-w-0 grow text-left leading-tight font-semibold break-words"
        >
          {file.path}
        </button>
        <Select
          label={`Role of ${file.path}`}
          className="w-36 shrink-0"
          value={file.role}
          onValueChange={(role) => say([{ path: file.path, role }])}
          options={rolesFor(job).map((r) => ({ value: r, text: roleWords(r) }))}
        />
      </div>
      <div className="text-faint text-[13px]">
        {file.doubt ? <b className="text-stop font-semibold">to be answered above: </b> : null}
        <Evidence file={file} />
        {file.chosen ? (
          <Button
            look="quiet"
            className="ml-1 py-0 underline"
            onClick={() => say([{ path: file.path, role: '' }])}
          >
            take back
          </Button>
        ) : file.doubt || file.role === 'not-part' ? null : (
          <span className="num ml-1.5" title="How sure this is">
            {Math.floor(file.confidence * 100)} %
          </span>
        )}
      </div>
      {hasColumns(file) && !file.doubt ? (
        <div className="mt-1">
          <Columns job={job} file={file} text="Columns" />
        </div>
      ) : null}
      {file.tools.length > 0 && !file.doubt ? <Sizes job={job} file={file} /> : null}
      <Numbers job={job} file={file} />
      <Place job={job} file={file} />
    </li>
  );
}

/** The files of a job: what must be asked, what each was taken for, and why. */
export function BringIn({ job, changes }: { job: Job; changes: Changes | null }) {
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: (answers: readonly Answer[]) => api.setRoles(job.id, answers),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const split = useMutation({
    mutationFn: async ({ here, there }: Split) => {
      const other = await api.copyJob(job.id);
      await api.setRoles(other, there);
      return api.setRoles(job.id, here);
    },
    onSuccess: async (now) => {
      queries.setQueryData(['job', job.id], now);
      await queries.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  const say: Say = (answers) => choose.mutate(answers);
  const open = openCount(job);
  const board = job.files.filter((f) => f.role !== 'not-part');
  const beside = job.files.filter((f) => f.role === 'not-part');
  return (
    <Panel
      title="Bring in"
      lead={
        open > 0
          ? `${open} question${open === 1 ? '' : 's'} before this board can be made.`
          : `${job.files.length} files${job.revision > 1 ? `, revision ${job.revision}` : ''}. Each was given a role from its content; your word wins.`
      }
    >
      {(choose.error ?? split.error) ? (
        <p role="alert" className="text-stop mb-2">
          {(choose.error ?? split.error)?.message}
        </p>
      ) : null}
      <Questions job={job} say={say} split={(here, there) => split.mutate({ here, there })} />
      {job.leftOut.length > 0 ? (
        <section aria-label="Left out" className="border-look/60 mb-3 border-l-2 pl-2">
          <h2 className="text-look font-semibold">Not carried over</h2>
          {job.leftOut.map((l) => (
            <p key={l}>{l}</p>
          ))}
        </section>
      ) : null}
      {changes && changes.since > 0 ? <ChangeList changes={changes} /> : null}
      <ul aria-label="Files of the board">
        {board.map((f) => (
          <FileRow key={f.path} job={job} file={f} say={say} />
        ))}
      </ul>
      {beside.length > 0 ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">Not part of the board</h2>
          <ul aria-label="Files beside the board">
            {beside.map((f) => (
              <FileRow key={f.path} job={job} file={f} say={say} />
            ))}
          </ul>
        </>
      ) : null}
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
      <TicketFile job={job} />
      <h2 className="mt-5 mb-2 font-semibold">Newer files of this board</h2>
      <p className="text-faint mb-1.5 text-[13px]">
        Roles and choices are kept; what changed is listed and shown on the table.
      </p>
      <DropField
        tall={false}
        again={job.id}
        circuitOf={job.files.some((f) => f.role === 'connections') ? job.name : null}
      />
      <h2 className="mt-5 mb-2 font-semibold">Another board</h2>
      <DropField tall={false} />
    </Panel>
  );
}

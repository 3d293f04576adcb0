import { useEffect, useRef, useState } from 'react';
import type { Job } from '../api/client';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { FilePicture } from './FilePicture';
import { AnswerEffects, rolesPart, type Possible } from './AnswerEffects';
import { Columns } from './Columns';
import { hasColumns } from './columns';
import { Sizes } from './Sizes';
import {
  boardAnswer,
  boardsOf,
  leaf,
  pairsOf,
  questionsOf,
  roleWords,
  rolesFor,
  sidePair,
  sidesAnswer,
  versionsAnswer,
  type Answer,
  type JobFile,
} from './roles';

type Say = (answers: readonly Answer[]) => void;

/** A question about some files. */
interface Asked {
  job: Job;
  files: readonly JobFile[];
  say: Say;
  /** Whether the effects of its answers are shown at once. */
  open: boolean;
}

function Card({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section
      aria-label={title}
      className="border-stop/70 bg-card mb-3 rounded border-l-4 px-3 py-2 shadow-sm"
    >
      <h3 className="mb-1 font-semibold">{title}</h3>
      {children}
    </section>
  );
}

/** Old and new versions side by side: one answer for all of them. */
function Versions({ job, files, say, open }: Asked) {
  const pairs = pairsOf(files);
  const dated = pairs.every((p) => p.dated);
  return (
    <Card title="Which version is meant?">
      <ul className="mb-1.5 text-[13px]">
        {pairs.map((p) => (
          <li key={p.older.path} className="mb-1">
            <span className="num">{leaf(p.newer.path)}</span>{' '}
            {p.dated ? 'seems newer than' : 'beside'}{' '}
            <span className="num">{leaf(p.older.path)}</span>
            <span className="text-faint block">{p.older.open.split(': ').at(-1)}</span>
          </li>
        ))}
      </ul>
      <p className="text-faint mb-1.5 text-[13px]">
        The others are laid aside and can be taken back below.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => say(versionsAnswer(pairs, true))}>
          {dated ? 'Use the newer files' : `Use ${leaf(pairs[0]?.newer.path ?? '')}`}
        </Button>
        <Button onClick={() => say(versionsAnswer(pairs, false))}>
          {dated ? 'Use the older files' : `Use ${leaf(pairs[0]?.older.path ?? '')}`}
        </Button>
        {dated ? null : (
          <Button onClick={() => say(files.map((f) => ({ path: f.path, role: f.role })))}>
            Both are needed
          </Button>
        )}
      </div>
      <AnswerEffects
        job={job}
        open={open}
        answers={[true, false].map((newest) => ({
          title: dated
            ? `The ${newest ? 'newer' : 'older'} files`
            : leaf((newest ? pairs[0]?.newer : pairs[0]?.older)?.path ?? ''),
          parts: rolesPart(versionsAnswer(pairs, newest)),
        }))}
      />
    </Card>
  );
}

/** The files of several boards: one stays here, the other can become a job of its own. */
function Boards({
  job,
  files,
  say,
  split,
  open,
}: Asked & { split: (here: readonly Answer[], there: readonly Answer[]) => void }) {
  const boards = [...boardsOf(files)];
  const [first, second] = boards;
  return (
    <Card title="Which board is this job?">
      <p className="mb-1.5 text-[13px]">
        The pack holds the files of {boards.length} boards. They are never mixed.
      </p>
      <div className="flex flex-wrap gap-2">
        {boards.map(([name, own]) => (
          <Button key={name} onClick={() => say(boardAnswer(files, name))}>
            Keep {name} ({own.length} files)
          </Button>
        ))}
        {first && second ? (
          <Button
            onClick={() => split(boardAnswer(files, first[0]), boardAnswer(files, second[0]))}
          >
            Make a job of each
          </Button>
        ) : null}
      </div>
      <AnswerEffects
        job={job}
        open={open}
        answers={boards.map(([name]) => ({
          title: `Keep ${name}`,
          parts: rolesPart(boardAnswer(files, name)),
        }))}
      />
    </Card>
  );
}

/** One question that settles the files of both sides. */
function Sides({ job, files, say, open }: Asked) {
  const pair = sidePair(files);
  if (!pair) {
    return null;
  }
  const [first, second] = pair;
  const firstIsTop = first.role.endsWith('-top');
  const rest = `${files.length} files go with the answer.`;
  const effects = (
    <AnswerEffects
      job={job}
      open={open}
      answers={[false, true].map((swapped) => ({
        title: `${leaf(first.path)} is the ${firstIsTop !== swapped ? 'top' : 'bottom'}`,
        parts: rolesPart(sidesAnswer(files, swapped)),
      }))}
    />
  );
  if (!second) {
    return (
      <Card title="Is this the top or the bottom?">
        <FilePicture job={job.id} file={first} width={286} height={190} />
        <p className="text-faint my-1 text-[13px]">
          {leaf(first.path)}, seen as the file has it, as if through the board from the top. {rest}
        </p>
        <div className="flex gap-2">
          <Button onClick={() => say(sidesAnswer(files, !firstIsTop))}>It is the top</Button>
          <Button onClick={() => say(sidesAnswer(files, firstIsTop))}>It is the bottom</Button>
        </div>
        {effects}
      </Card>
    );
  }
  return (
    <Card title="Which of these is the top?">
      <div className="flex gap-2">
        {[first, second].map((f, i) => (
          <button
            key={f.path}
            type="button"
            onClick={() => say(sidesAnswer(files, i === 1))}
            className="border-edge hover:border-sienna min-w-0 flex-1 rounded border p-1 text-left"
          >
            <FilePicture
              job={job.id}
              file={f}
              beside={[(i === 0 ? second : first).path]}
              width={136}
              height={104}
            />
            <span className="mt-1 block truncate font-semibold">{leaf(f.path)}</span>
            <span className="text-sienna block text-[13px] underline">This is the top</span>
          </button>
        ))}
      </div>
      <p className="text-faint mt-1 text-[13px]">
        Nothing in the files tells. Both are shown as the files have them, seen through the board
        from the top. {rest}
      </p>
      {effects}
    </Card>
  );
}

/** The inner layers from the top down, moved until they are in order. */
function Order({ job, files, say, open }: Asked) {
  const [paths, setPaths] = useState(files.map((f) => f.path));
  const roles = files.map((f) => f.role);
  const answer = (order: readonly string[]) =>
    order.map((path, i) => ({ path, role: roles[i] ?? '' }));
  // Two layers have two orders; of more, the one that is shown.
  const orders = paths.length === 2 ? [paths, [...paths].reverse()] : [paths];
  const move = (from: number, to: number) => {
    const next = [...paths];
    const [moved] = next.splice(from, 1);
    next.splice(to, 0, moved ?? '');
    setPaths(next);
  };
  return (
    <Card title="In which order do the inner layers lie?">
      <ol>
        {paths.map((path, i) => {
          const f = files.find((x) => x.path === path);
          return f ? (
            <li key={path} className="mb-1.5 flex items-center gap-2">
              <span className="num text-faint w-4 text-right">{i + 1}</span>
              <FilePicture job={job.id} file={f} beside={paths} width={104} height={70} />
              <span className="min-w-0 grow truncate font-semibold" title={path}>
                {leaf(path)}
              </span>
              <span className="flex flex-col">
                <Button
                  className="px-1.5 py-0"
                  disabled={i === 0}
                  aria-label={`${leaf(path)} nearer to the top`}
                  onClick={() => move(i, i - 1)}
                >
                  ▴
                </Button>
                <Button
                  className="px-1.5 py-0"
                  disabled={i === paths.length - 1}
                  aria-label={`${leaf(path)} nearer to the bottom`}
                  onClick={() => move(i, i + 1)}
                >
                  ▾
                </Button>
              </span>
            </li>
          ) : null;
        })}
      </ol>
      <p className="text-faint mb-1.5 text-[13px]">
        From the top down. Nothing in the files tells; the layout does.
      </p>
      <Button onClick={() => say(answer(paths))}>This is the order</Button>
      <AnswerEffects
        job={job}
        open={open}
        answers={orders.map((order) => ({
          title: `From the top down: ${order.map(leaf).join(', ')}`,
          parts: rolesPart(answer(order)),
        }))}
      />
    </Card>
  );
}

/** The answers that stand as buttons, or as columns or sizes, in one question. */
function possible(file: JobFile): Possible[] {
  const all: Possible[] = [];
  if (file.doubt === 'size') {
    const sizes = Object.fromEntries(file.tools.map((t) => [t.tool, t.diameterMm]));
    all.push({ title: 'The sizes proposed', parts: { tool_sizes: { [file.path]: sizes } } });
  } else if (file.role !== 'unknown') {
    all.push({
      title: `It is ${roleWords(file.role)}`,
      parts: rolesPart([{ path: file.path, role: file.role }]),
    });
  }
  all.push({
    title: 'Not part of the board',
    parts: rolesPart([{ path: file.path, role: 'not-part' }]),
  });
  return all;
}

/** One file of which it is not certain what it is. */
function Single({ job, file, say, open }: { job: Job; file: JobFile; say: Say; open: boolean }) {
  const sizes = file.doubt === 'size';
  const known = file.role !== 'unknown' && !sizes;
  const name = leaf(file.path);
  return (
    <Card title={sizes ? `How large are the holes of ${name}?` : `What is ${name}?`}>
      <div className="flex gap-2.5">
        {file.shows ? <FilePicture job={job.id} file={file} width={120} height={88} /> : null}
        <div className="min-w-0 text-[13px]">
          <p>
            {sizes
              ? 'No file states the size of its tools. Type them as the tool list has them, or bring the list in.'
              : `${file.open}.`}
          </p>
          <p className="text-faint">{file.evidence}</p>
          {file.against ? <p className="text-faint">Against it: {file.against}</p> : null}
        </div>
      </div>
      {sizes ? <Sizes job={job} file={file} /> : null}
      <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
        {hasColumns(file) ? <Columns job={job} file={file} text="Choose columns" /> : null}
        {known ? (
          <Button onClick={() => say([{ path: file.path, role: file.role }])}>
            It is {roleWords(file.role)}
          </Button>
        ) : null}
        <Select
          label={`What ${name} is`}
          placeholder="It is …"
          className="w-32"
          value=""
          onValueChange={(role) => say([{ path: file.path, role }])}
          options={rolesFor(job)
            .filter((r) => r !== 'unknown' && r !== 'not-part')
            .map((r) => ({ value: r, text: roleWords(r) }))}
        />
        <Button onClick={() => say([{ path: file.path, role: 'not-part' }])}>
          Not part of the board
        </Button>
      </div>
      <AnswerEffects job={job} open={open} answers={possible(file)} />
    </Card>
  );
}

/** Everything that must be said before the board can be made; nothing when all is certain. */
export function Questions({
  job,
  say,
  split,
}: {
  job: Job;
  say: Say;
  /** Keeps one board here and makes a job of the other. */
  split: (here: readonly Answer[], there: readonly Answer[]) => void;
}) {
  const q = questionsOf(job);
  const asked = [...q.boards, ...q.versions, ...q.sides, ...q.order, ...q.single];
  const first = asked.map((f) => f.path + f.doubt).join();
  // The effects of the first question are shown at once: each takes as long as reading the pack.
  const isFirst = (f: JobFile | undefined) => f !== undefined && f === asked[0];
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // The keyboard goes to the first answer, and to the next one when one is given.
    if (document.activeElement === document.body) {
      root.current?.querySelector<HTMLElement>('button:enabled')?.focus();
    }
  }, [first]);
  return (
    <div ref={root}>
      {q.boards.length > 0 ? (
        <Boards job={job} files={q.boards} say={say} split={split} open={isFirst(q.boards[0])} />
      ) : null}
      {q.versions.length > 0 ? (
        <Versions job={job} files={q.versions} say={say} open={isFirst(q.versions[0])} />
      ) : null}
      {q.sides.length > 0 ? (
        <Sides
          key={q.sides.map((f) => f.path).join()}
          job={job}
          files={q.sides}
          say={say}
          open={isFirst(q.sides[0])}
        />
      ) : null}
      {q.order.length > 0 ? (
        <Order
          key={q.order.map((f) => f.path).join()}
          job={job}
          files={q.order}
          say={say}
          open={isFirst(q.order[0])}
        />
      ) : null}
      {q.single.map((f) => (
        <Single key={f.path} job={job} file={f} say={say} open={isFirst(f)} />
      ))}
    </div>
  );
}

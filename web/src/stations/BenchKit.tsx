import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { api, type Job, type Kit, type KitStep, type Outputs } from '../api/client';
import { Bands } from '../kit/Bands';
import { GuideOrder } from '../kit/GuideOrder';
import { ownAtEnd, ownBefore } from '../kit/order';
import { kitKey, useKitStep } from '../kit/useKit';
import { usePartsChange } from '../parts/usePartsChange';
import { ReceivedTab } from '../receiving/ReceivedTab';
import { go } from '../router';
import { useView } from '../store/view';
import { number } from '../units';
import { Button, Toggle } from '../ui/Button';
import { Fact, Panel } from '../ui/Panel';
import { FileList, MakeOutputs } from './outputs';

const TABS = {
  guide: 'Guide',
  list: 'Lay out',
  points: 'Test points',
  received: 'Received',
} as const;

const names = (s: KitStep) => s.places.map((p) => p.designator);

/** What is left to solder by hand, one kind after the other. */
export function BenchKit({
  job,
  kit,
  outputs,
  error,
}: {
  job: Job;
  kit: Kit | null;
  outputs: Outputs | null;
  error: string;
}) {
  const [tab, setTab] = useState<'guide' | 'list' | 'points' | 'received'>('guide');
  if (!job.sheetId) {
    return (
      <Panel title="Bench">
        <p>What the shop does not fit is soldered here.</p>
        <Button look="main" className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a shop
        </Button>
      </Panel>
    );
  }
  if (!kit) {
    return <Panel title="Bench">{error || 'Laying the parts out …'}</Panel>;
  }
  const parts = kit.steps.reduce((n, s) => n + s.places.length, 0);
  const there = new Set(kit.steps.flatMap(names));
  const done = kit.done.filter((d) => there.has(d)).length;
  return (
    <Panel
      title="Bench"
      lead={
        <>
          <span className="num">{done}</span> of <span className="num">{parts}</span> parts
          soldered, in {kit.steps.length} steps.
        </>
      }
    >
      <div role="group" aria-label="Shown" className="mb-3 flex gap-1">
        {(['guide', 'list', 'points', 'received'] as const).map((t) => (
          <Button
            key={t}
            look={tab === t ? 'plain' : 'quiet'}
            aria-pressed={tab === t}
            onClick={() => setTab(t)}
          >
            {TABS[t]}
          </Button>
        ))}
      </div>
      {tab === 'guide' ? <Guide job={job} kit={kit} /> : null}
      {tab === 'list' ? (
        <LayOut job={job} kit={kit} outputs={outputs} onOpen={() => setTab('guide')} />
      ) : null}
      {tab === 'points' ? <Points kit={kit} /> : null}
      {tab === 'received' ? <ReceivedTab job={job} /> : null}
    </Panel>
  );
}

/** One step: what, where, which way round; by keyboard too. */
function Guide({ job, kit }: { job: Job; kit: Kit }) {
  const queries = useQueryClient();
  const at = useKitStep((s) => Math.min(Math.max(0, s.step), kit.steps.length - 1));
  const to = useKitStep((s) => s.to);
  const [error, setError] = useState('');
  const step = kit.steps[at];
  const one = useKitStep((s) => (s.board !== null && s.board <= kit.boards ? s.board : null));
  const ticked = new Set(one === null ? kit.done : kit.ticked[one - 1]);
  const all = step ? names(step) : [];
  const isDone = all.every((d) => ticked.has(d));
  const tick = useCallback(
    (designators: readonly string[], done: boolean, then?: () => void) => {
      setError('');
      api
        .tick(job.id, designators, done, one)
        .then((next) => {
          queries.setQueryData(kitKey(job), next);
          void queries.invalidateQueries({ queryKey: ['job', job.id] });
          then?.();
        })
        .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
    },
    [job, queries, one],
  );
  const next = useCallback(
    () => to(Math.min(at + 1, kit.steps.length - 1)),
    [at, kit.steps.length, to],
  );
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const busy = (e.target as HTMLElement).closest('input, textarea, [role=dialog]');
      if (busy || e.ctrlKey || e.metaKey || e.altKey) {
        return;
      }
      if (e.key === 'n') next();
      else if (e.key === 'N') to(Math.max(0, at - 1));
      else if (e.key === 'd' && step) tick(names(step), true, next);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [at, next, step, tick, to]);
  const side = step?.side;
  useEffect(() => {
    const view = useView.getState();
    if (side && view.flipped !== (side === 'bottom')) {
      view.flip();
    }
  }, [side]);
  if (!step) {
    return (
      <p>
        To solder some yourself, open their footprint under Parts, Placement and tick “Soldered by
        hand”.
      </p>
    );
  }
  return (
    <section aria-label={`Step ${at + 1}`}>
      {error ? (
        <p role="alert" className="text-stop">
          {error}
        </p>
      ) : null}
      {at === 0 && kit.wires > 0 ? (
        <p className="border-petrol/60 mb-2 rounded border p-2">
          First: {kit.wires} holes need a wire or a rivet from side to side, before anything covers
          them. The set-up sheet of the mill shows where.
        </p>
      ) : null}
      {ownBefore(kit.lines, at).map((o, i) => (
        <p key={i} className="border-petrol/60 mb-2 rounded border p-2" data-own>
          Before this: {o}
        </p>
      ))}
      <div className="text-faint flex justify-between">
        <span>
          Step {at + 1} of {kit.steps.length}
        </span>
        <span>{isDone ? <b className="text-good">✓ done</b> : step.why}</span>
      </div>
      <h2 className="text-[22px] leading-tight font-semibold">
        {step.places.length > 1 ? `${step.places.length} × ` : ''}
        {step.value}
      </h2>
      <p className="font-semibold">{step.designators}</p>
      {step.colours.map((r) => (
        <Bands key={r.words} reading={r} />
      ))}
      {step.polarity ? (
        <p className="border-sienna mt-1.5 border-l-4 pl-2">
          <b className="font-semibold">Mind:</b> {step.polarity}
        </p>
      ) : null}
      <div className="mt-2">
        {step.footprint ? <Fact name="footprint">{step.footprint}</Fact> : null}
        {step.number ? <Fact name="part">{step.number}</Fact> : null}
        <Fact name="side">
          {step.side}, {step.leads ? 'leaded' : 'surface-mounted'}
        </Fact>
        <Fact name="height">{step.heightMm.toFixed(1)} mm</Fact>
        {typeof step.spacingMm === 'number' ? (
          <Fact name="bend the leads to">{step.spacingMm.toFixed(2)} mm</Fact>
        ) : null}
        {step.places[0]?.startPin ? (
          <Fact name="start on (ringed)">pin {step.places[0].startPin}</Fact>
        ) : null}
      </div>
      <ul aria-label="Parts of this step" className="mt-2 flex flex-wrap gap-x-3 gap-y-0.5">
        {all.map((d) => (
          <li key={d}>
            <label className="whitespace-nowrap">
              <input
                type="checkbox"
                checked={ticked.has(d)}
                onChange={(e) => tick([d], e.target.checked)}
              />{' '}
              {d}
            </label>
          </li>
        ))}
      </ul>
      <Boards kit={kit} parts={all} one={one} />
      <Note job={job} kit={kit} step={step} />
      <Picture job={job} kit={kit} step={step} />
      {at === kit.steps.length - 1
        ? ownAtEnd(kit.lines).map((o, i) => (
            <p key={i} className="border-petrol/60 mt-2 rounded border p-2" data-own>
              After this: {o}
            </p>
          ))
        : null}
      <div className="mt-3 flex gap-2">
        <Button disabled={at === 0} onClick={() => to(at - 1)}>
          Back
        </Button>
        <Button
          look="main"
          className="grow"
          onClick={() => (isDone ? tick(all, false) : tick(all, true, next))}
        >
          {isDone ? 'Not done after all' : 'Done, next'}
        </Button>
        <Button disabled={at === kit.steps.length - 1} onClick={next}>
          Next
        </Button>
      </div>
      <p className="text-faint mt-1.5 text-[13px]">
        Keys: <kbd className="num">D</kbd> done and next, <kbd className="num">N</kbd> next,{' '}
        <kbd className="num">Shift N</kbd> back.
      </p>
    </section>
  );
}

/** Longer batches are counted, not shown board by board. */
const MOST_BOARDS = 60;

/** On which boards of the batch a step is done, and which of them is soldered. */
function Boards({ kit, parts, one }: { kit: Kit; parts: readonly string[]; one: number | null }) {
  const onBoard = useKitStep((s) => s.onBoard);
  if (kit.boards < 2) {
    return null;
  }
  const done = kit.ticked.map((on) => parts.every((d) => on.includes(d)));
  return (
    <div role="group" aria-label="Boards of the batch" className="mt-2">
      <p className="text-faint text-[13px]">
        Done on {done.filter(Boolean).length} of {kit.boards} boards. Ticks are for{' '}
        {one === null ? 'all of them' : `board ${one}`}:
      </p>
      <div className="mt-0.5 flex flex-wrap gap-1">
        <Toggle on={one === null} className="px-2 py-0.5" onClick={() => onBoard(null)}>
          all
        </Toggle>
        {done.slice(0, MOST_BOARDS).map((d, i) => (
          <Toggle
            key={i}
            on={one === i + 1}
            className="num px-2 py-0.5"
            onClick={() => onBoard(i + 1)}
          >
            {i + 1}
            {d ? ' ✓' : ''}
          </Toggle>
        ))}
      </div>
    </div>
  );
}

/** A picture that was dropped into a step. */
function Picture({ job, kit, step }: { job: Job; kit: Kit; step: KitStep }) {
  const queries = useQueryClient();
  const [error, setError] = useState('');
  const holder = names(step).find((d) => kit.pictured.includes(d));
  const done = (change: Promise<Kit>) => {
    setError('');
    change
      .then((next) => queries.setQueryData(kitKey(job), next))
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  const take = (file: File | undefined) => {
    const to = holder ?? names(step)[0];
    if (file && to) {
      done(api.putKitPicture(job.id, to, file));
    }
  };
  return (
    <div
      aria-label="Picture of this step"
      role="group"
      className="border-edge mt-2 rounded border border-dashed p-2"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        e.stopPropagation();
        take(e.dataTransfer.files[0]);
      }}
    >
      {holder ? (
        <img
          alt={`To ${holder}`}
          className="mb-1.5 max-h-48 max-w-full"
          src={`${api.kitPicture(job.id, holder)}&of=${kit.pictured.length}`}
        />
      ) : null}
      <span className="text-faint flex items-center justify-between gap-2 text-[13.5px]">
        <label className="cursor-pointer underline decoration-dotted underline-offset-2">
          {holder ? 'Take another picture' : 'Drop a picture here, or choose one'}
          <input
            type="file"
            aria-label="Picture for this step"
            accept="image/png,image/jpeg"
            className="sr-only"
            onChange={(e) => {
              take(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
        {holder ? (
          <button
            type="button"
            className="underline decoration-dotted underline-offset-2"
            onClick={() => done(api.dropKitPicture(job.id, holder))}
          >
            take it away
          </button>
        ) : null}
      </span>
      {error ? (
        <p role="alert" className="text-stop">
          {error}
        </p>
      ) : null}
    </div>
  );
}

/** What is to be minded with a step, kept with its first part and printed in the guide. */
function Note({ job, kit, step }: { job: Job; kit: Kit; step: KitStep }) {
  const change = usePartsChange(job.id);
  const holder = names(step).find((d) => kit.notes[d] !== undefined) ?? names(step)[0] ?? '';
  const kept = kit.notes[holder] ?? '';
  const [text, setText] = useState<string | null>(null);
  const save = () => {
    if (text !== null && text.trim() !== kept) {
      change.make(() => api.noteTo(job.id, holder, text));
    }
    setText(null);
  };
  return (
    <label className="mt-2 block">
      <span className="text-faint">Note, printed in the guide</span>
      <textarea
        key={holder}
        rows={2}
        maxLength={500}
        value={text ?? kept}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        className="border-edge bg-card block w-full rounded border px-1.5 py-1"
      />
      {change.error ? <span className="text-stop">{change.error}</span> : null}
    </label>
  );
}

/** Everything to lay ready, in order, and the files to take along. */
function LayOut({
  job,
  kit,
  outputs,
  onOpen,
}: {
  job: Job;
  kit: Kit;
  outputs: Outputs | null;
  onOpen: () => void;
}) {
  const to = useKitStep((s) => s.to);
  return (
    <>
      <GuideOrder
        job={job}
        kit={kit}
        onOpen={(i) => {
          to(i);
          onOpen();
        }}
      />
      {kit.unplaced ? (
        <p className="text-faint mt-2">Without a place on the board: {kit.unplaced}.</p>
      ) : null}
      <h2 className="mt-4 mb-1 font-semibold">Files</h2>
      <a
        className="underline"
        href={`/api/jobs/${job.id}/kit/guide.pdf`}
        target="_blank"
        rel="noreferrer"
      >
        The guide for printing, with your pictures
      </a>
      <MakeOutputs job={job} outputs={outputs} />
      {outputs?.made ? (
        <>
          <FileList job={job} outputs={outputs} folder="assembly/by-hand" />
          <FileList job={job} outputs={outputs} folder="assembly/guide" />
        </>
      ) : null}
    </>
  );
}

/** Where to hold a probe or solder a wire, by net. */
function Points({ kit }: { kit: Kit }) {
  const unit = useView((s) => s.unit);
  const lookAt = useView((s) => s.lookAt);
  if (kit.probes.length === 0) {
    return <p className="text-faint">No netlist names test points or plugs.</p>;
  }
  return (
    <table aria-label="Test points" className="w-full">
      <thead className="text-faint text-left text-[13px]">
        <tr>
          <th className="font-normal">point</th>
          <th className="font-normal">net</th>
          <th className="text-right font-normal">x, y {unit}</th>
        </tr>
      </thead>
      <tbody>
        {kit.probes.map((p) => (
          <tr key={`${p.name} ${p.x} ${p.y}`} className="border-edge/60 border-b">
            <td>
              <button
                type="button"
                className="underline decoration-dotted underline-offset-2"
                onClick={() => lookAt({ key: p.name, x: p.x, y: p.y, span: 12e6 })}
              >
                {p.name}
              </button>
            </td>
            <td>{p.net}</td>
            <td className="num text-right">
              {number(p.x, unit)}, {number(p.y, unit)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

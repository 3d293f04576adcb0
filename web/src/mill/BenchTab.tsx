import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  api,
  type BenchView,
  type BenchWish,
  type Job,
  type OnMill,
  type Outputs,
  type Rehearsal,
} from '../api/client';
import { MakeOutputs } from '../stations/outputs';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Fact } from '../ui/Panel';
import { Select } from '../ui/Select';
import { useMill } from './scene';
import { Verdict } from './Verdict';
import { refresh } from '../ticket/refresh';

const POLL_MS = 250;
const SPEEDS = ['1', '10', '60', '600'];

const STATES: Record<string, string> = {
  idle: 'idle',
  running: 'running',
  holding: 'on hold',
  waiting: 'waiting for a hand',
  stopped: 'stopped',
  alarm: 'alarm',
};

/** The mill on the bench: sends a program and watches the cutter. */
export function BenchTab({
  job,
  mill,
  outputs,
}: {
  job: Job;
  mill: OnMill;
  outputs: Outputs | null;
}) {
  const queries = useQueryClient();
  const unit = useView((s) => s.unit);
  const sides = mill.setup.sides?.length ? mill.setup.sides : mill.sides;
  const [side, setSide] = useState('');
  const [stock, setStock] = useState('flat');
  const [program, setProgram] = useState('');
  const [error, setError] = useState('');
  const [looked, setLooked] = useState<Rehearsal | null>(null);
  const bench = useQuery({
    queryKey: ['bench', job.id],
    queryFn: () => api.bench(job.id),
    refetchInterval: POLL_MS,
  });
  const now = bench.data;
  useTrail(job, mill, now);
  const ask = (wish: BenchWish) => {
    setError('');
    return api
      .onBench(job.id, wish)
      .then((v) => queries.setQueryData(['bench', job.id], v))
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  const programs = useMemo(
    () =>
      (outputs?.files ?? [])
        .filter((f) => /^milling\/\d+-.*\.nc$/.test(f.path))
        .map((f) => f.path.replace('milling/', '')),
    [outputs],
  );
  const chosen = programs.includes(program) ? program : (programs[0] ?? '');
  const toolName = (n: number) => mill.tools.find((t) => t.number === n)?.name ?? 'no tool';
  const busy = now?.state === 'running' || now?.state === 'holding';
  const laying = sides.includes(side) ? side : (sides[0] ?? 'top');
  const wrongTool = now?.state === 'waiting' && now.asked > 0 && now.fitted !== now.asked;
  return (
    <div aria-label="Bench mill">
      <MakeOutputs job={job} outputs={outputs} />
      <div className="mb-2 flex items-center gap-1.5">
        <Select
          label="Side up"
          className="w-24"
          value={laying}
          options={sides.map((s) => ({ value: s, text: `${s} up` }))}
          onValueChange={setSide}
        />
        <Select
          label="Kind of stock"
          className="w-24"
          value={stock}
          options={[
            { value: 'flat', text: 'flat' },
            { value: 'warped', text: 'warped' },
          ]}
          onValueChange={setStock}
        />
        <Button
          look={now?.present ? 'plain' : 'main'}
          disabled={busy}
          onClick={() => {
            setLooked(null);
            void ask({ wish: 'begin', side: laying, stock });
          }}
        >
          Lay a stock
        </Button>
      </div>
      {now?.present ? (
        <>
          <p
            role="status"
            data-state={now.state}
            className={`bg-card rounded border-l-4 px-3 py-1.5 ${now.state === 'alarm' ? 'border-stop text-stop' : now.state === 'running' ? 'border-petrol' : 'border-edge'}`}
          >
            <b className="font-semibold">{STATES[now.state] ?? now.state}</b>
            {now.program ? `, ${now.program}` : ''}
            {now.done && now.program ? ': done' : ''}
            {now.message ? <span className="block">{now.message}</span> : null}
          </p>
          {now.lines > 0 ? (
            <p className="num mt-1 truncate text-[12.5px]">
              line {now.line} of {now.lines}: {now.text}
            </p>
          ) : null}
          <div className="mt-1">
            <Fact name="On the bench">
              {now.warped ? 'a warped stock' : 'a flat stock'}, {now.side} up
            </Fact>
            <Fact name="z over zero">{length(now.z, unit)}</Fact>
            <Fact name="Spindle">{now.spindle ? 'on' : 'off'}</Fact>
          </div>
          <div className="mt-2 flex items-center gap-1.5">
            <span className="text-faint shrink-0">In the spindle</span>
            <Select
              label="Tool in the spindle"
              className="min-w-0 grow"
              value={String(now.fitted)}
              options={[
                { value: '0', text: 'no tool' },
                ...mill.tools.map((t) => ({
                  value: String(t.number),
                  text: `${t.number}: ${t.name}`,
                })),
              ]}
              onValueChange={(t) => void ask({ wish: 'fit', tool: Number(t) })}
            />
          </div>
          {wrongTool ? (
            <p className="border-look mt-1 border-l-4 pl-2">
              The program wants tool {now.asked}, {toolName(now.asked)}.
            </p>
          ) : null}
          <div className="mt-2 flex flex-wrap gap-1.5">
            <Button
              disabled={busy || now.state === 'stopped' || now.state === 'alarm'}
              onClick={() => void ask({ wish: 'touch' })}
            >
              Touch off
            </Button>
            <Button
              disabled={busy || now.state !== 'idle'}
              onClick={() => void ask({ wish: 'probe' })}
            >
              Probe the surface
            </Button>
            {now.probing && now.done && now.touches > 0 ? (
              <Button
                look="main"
                onClick={() =>
                  void api
                    .keepProbed(job.id)
                    .then(() => refresh(queries, job.id))
                    .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)))
                }
              >
                Level by these {now.touches} points
              </Button>
            ) : null}
          </div>
          <div className="mt-2 flex gap-1.5">
            <Select
              label="Program to run"
              className="min-w-0 grow"
              value={chosen}
              options={programs.map((p) => ({ value: p, text: p }))}
              onValueChange={setProgram}
              placeholder="no program"
            />
            <Button
              look="main"
              disabled={now.state !== 'idle' || chosen === ''}
              onClick={() => {
                setLooked(null);
                void ask({ wish: 'run', program: chosen });
              }}
            >
              Send
            </Button>
          </div>
          <div className="mt-2 flex flex-wrap gap-1.5">
            <Button disabled={now.state !== 'running'} onClick={() => void ask({ wish: 'hold' })}>
              Hold
            </Button>
            <Button
              disabled={now.state !== 'holding' && now.state !== 'waiting'}
              onClick={() => void ask({ wish: 'resume' })}
            >
              Go on
            </Button>
            <Button
              className="text-stop"
              disabled={now.state === 'idle' || now.state === 'stopped' || now.state === 'alarm'}
              onClick={() => void ask({ wish: 'stop' })}
            >
              Stop
            </Button>
            <Button
              disabled={now.state !== 'stopped' && now.state !== 'alarm'}
              onClick={() => void ask({ wish: 'reset' })}
            >
              Reset
            </Button>
            {now.stoppedAt > 0 && !now.probing ? (
              <Button look="main" onClick={() => void ask({ wish: 'restart' })}>
                Go on from line {now.stoppedAt}
              </Button>
            ) : null}
          </div>
          <div className="mt-2 flex items-center gap-1.5">
            <span className="text-faint">Faster than life</span>
            <Select
              label="Faster than life"
              className="w-24"
              value={String(now.speed)}
              options={SPEEDS.map((s) => ({ value: s, text: `${s} ×` }))}
              onValueChange={(s) => void ask({ wish: 'speed', speed: Number(s) })}
            />
            <Button
              className="ml-auto"
              disabled={busy}
              onClick={() => {
                setError('');
                api
                  .benchLook(job.id)
                  .then(setLooked)
                  .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
              }}
            >
              Look at the stock
            </Button>
          </div>
        </>
      ) : (
        <p>
          The bench mill that comes with the application takes a program line by line, like a real
          one. Lay a stock on it, fit a tool, touch off, and run.
        </p>
      )}
      {error ? (
        <p role="alert" className="border-stop text-stop mt-2 border-l-4 pl-2">
          {error}
        </p>
      ) : null}
      {looked ? (
        <div className="mt-3">
          <Verdict result={looked} />
        </div>
      ) : null}
    </div>
  );
}

/** Fetches where the cutter went, piece by piece, and puts it on the table. */
function useTrail(job: Job, mill: OnMill, now: BenchView | undefined): void {
  const show = useMill((s) => s.show);
  const fetching = useRef(false);
  useEffect(() => {
    const widths: number[] = [];
    mill.tools.forEach((t) => {
      widths[t.number] = t.width;
    });
    show({ widths });
  }, [mill.tools, show]);
  useEffect(() => {
    if (!now?.present) {
      show({ trail: [], cutter: null });
      return;
    }
    show({ cutter: { x: now.x, y: now.y, depth: -now.z } });
    if (fetching.current) {
      return;
    }
    fetching.current = true;
    const from = useMill.getState().trail.length / 4;
    void api
      .benchTrail(job.id, from)
      .then((t) => {
        if (t.points.length > 0) {
          show({ trail: [...useMill.getState().trail, ...t.points] });
        } else if (t.from > 0 && t.total < t.from) {
          // A fresh stock was laid: begin anew.
          show({ trail: [] });
        }
      })
      .catch(() => undefined)
      .finally(() => {
        fetching.current = false;
      });
  }, [now, job.id, show]);
}

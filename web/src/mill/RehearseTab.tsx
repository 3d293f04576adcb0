import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, type Job, type OnMill, type Rehearsal, type Wish } from '../api/client';
import { useWork } from '../api/tasks';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { Slider } from '../ui/Slider';
import { Working } from '../ui/Working';
import { useMill } from './scene';
import { trackUpTo } from './track';
import { Verdict } from './Verdict';

const STOCKS = [
  { value: 'flat', text: 'a flat stock' },
  { value: 'measured', text: 'the stock as probed' },
  { value: 'warped', text: 'a stock warped by ±0.3 mm' },
];

/** How much of the whole passes in a second of playing. */
const PLAY_SECONDS = 20;

/** Runs the very programs that are handed out on a stock that exists only here. */
export function RehearseTab({ job, mill }: { job: Job; mill: OnMill }) {
  const queries = useQueryClient();
  const work = useWork();
  const show = useMill((s) => s.show);
  const [stock, setStock] = useState('flat');
  const [own, setOwn] = useState(true);
  const [text, setText] = useState('');
  const [side, setSide] = useState(mill.sides[0] ?? 'top');
  const [tool, setTool] = useState(0);
  const [wish, setWish] = useState<Wish>({ pasted: '', side: 'top', tool: 0, stock: 'flat' });
  const result = useQuery({
    queryKey: ['rehearsal', job.id, job.stamp, JSON.stringify(mill.setup), wish],
    queryFn: () => api.rehearsal(job.id, wish),
  });
  const data = result.data?.ran ? result.data : null;
  useEffect(() => {
    show({ rehearsal: data, minute: data?.minutes ?? 0, side: data?.copper[0]?.side ?? '' });
    return () => show({ rehearsal: null });
  }, [data, show]);
  const rehearse = () => {
    const next: Wish = {
      pasted: own ? '' : text,
      side: own ? 'top' : side,
      tool: own ? 0 : tool,
      stock,
    };
    setWish(next);
    work.run(
      () => api.rehearse(job.id, next),
      () => void queries.invalidateQueries({ queryKey: ['rehearsal', job.id] }),
    );
  };
  return (
    <div aria-label="Rehearsal">
      <div className="mb-1 flex items-center justify-between gap-2">
        <span className="text-faint">Run</span>
        <Select
          label="What to run"
          className="w-52"
          value={own ? 'own' : 'pasted'}
          options={[
            { value: 'own', text: 'the programs of this board' },
            { value: 'pasted', text: 'another program' },
          ]}
          onValueChange={(v) => setOwn(v === 'own')}
        />
      </div>
      {own ? null : (
        <>
          <textarea
            aria-label="Program"
            rows={7}
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="border-edge bg-card num mb-1 w-full rounded border p-2 text-[13px]"
            placeholder={'G21 G90\nM3 S10000\n…'}
          />
          <div className="mb-1 flex gap-2">
            <Select
              label="Side of the program"
              className="w-24"
              value={side}
              options={['top', 'bottom'].map((s) => ({ value: s, text: s }))}
              onValueChange={setSide}
            />
            <Select
              label="Tool in the spindle"
              className="min-w-0 grow"
              value={String(tool)}
              options={[
                { value: '0', text: 'tool as the program says' },
                ...mill.tools.map((t) => ({
                  value: String(t.number),
                  text: `${t.number}: ${t.name}`,
                })),
              ]}
              onValueChange={(t) => setTool(Number(t))}
            />
          </div>
        </>
      )}
      <div className="mb-2 flex items-center justify-between gap-2">
        <span className="text-faint">On</span>
        <Select
          label="Stock"
          className="w-52"
          value={stock}
          options={STOCKS}
          onValueChange={setStock}
        />
      </div>
      <Button look="main" disabled={!own && text.trim() === ''} onClick={rehearse}>
        Start the rehearsal
      </Button>
      <Working work={work} />
      {data ? (
        <div className="mt-3">
          <Verdict result={data} />
          <Scrub result={data} />
        </div>
      ) : null}
    </div>
  );
}

/** Through the time of a rehearsal: the table shows what is cut by then. */
function Scrub({ result }: { result: Rehearsal }) {
  const minute = useMill((s) => s.minute);
  const side = useMill((s) => s.side);
  const show = useMill((s) => s.show);
  const flipped = useView((s) => s.flipped);
  const flip = useView((s) => s.flip);
  const [playing, setPlaying] = useState(false);
  const before = useRef(0);
  useEffect(() => {
    if (!playing) {
      return undefined;
    }
    before.current = performance.now();
    const timer = setInterval(() => {
      const now = performance.now();
      const passed = (now - before.current) / 1000;
      before.current = now;
      const next = useMill.getState().minute + (passed / PLAY_SECONDS) * result.minutes;
      show({ minute: Math.min(result.minutes, next) });
      if (next >= result.minutes) {
        setPlaying(false);
      }
    }, 60);
    return () => clearInterval(timer);
  }, [playing, result.minutes, show]);
  const now = useMemo(() => {
    // The last that has begun: sums of times do not meet to the last bit.
    const part =
      minute < result.minutes - 1e-6
        ? result.parts.filter((p) => minute >= p.fromMinute - 1e-6).pop()
        : undefined;
    const line = result.tracks
      .map((t) => trackUpTo(t.points, minute))
      .find((t) => t.at !== null)?.line;
    return { part, line };
  }, [result, minute]);
  const longest = Math.max(...result.parts.map((p) => p.minutes), 0.001);
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">Through the time</h2>
      <div className="flex items-center gap-2">
        <Button
          aria-label={playing ? 'Pause the rehearsal' : 'Play the rehearsal'}
          onClick={() => {
            if (!playing && minute >= result.minutes) {
              show({ minute: 0 });
            }
            setPlaying(!playing);
          }}
        >
          {playing ? '❚❚' : '▶'}
        </Button>
        <Slider
          label="Minute of the rehearsal"
          className="min-w-0 grow"
          value={minute}
          min={0}
          max={result.minutes}
          step={result.minutes / 500}
          onValueChange={(m) => show({ minute: m })}
        />
        <span className="num w-20 shrink-0 text-right">{minute.toFixed(1)} min</span>
      </div>
      <p className="text-faint min-h-5">
        {now.part
          ? `${now.part.program}${now.line ? `, line ${now.line}` : ''}`
          : 'all done: the copper that stays'}
      </p>
      {result.copper.length > 1 ? (
        <div className="mt-1 flex items-center gap-1">
          <span className="text-faint">Copper that stays:</span>
          {result.copper.map((c) => (
            <Button
              key={c.side}
              aria-pressed={c.side === side}
              className="aria-pressed:border-sienna"
              onClick={() => {
                show({ side: c.side, minute: result.minutes });
                if ((c.side === 'bottom') !== flipped) {
                  flip();
                }
              }}
            >
              {c.side}
            </Button>
          ))}
        </div>
      ) : null}
      <h2 className="mt-3 mb-1 font-semibold">Time by tool</h2>
      <ol aria-label="Time by tool">
        {result.parts.map((p) => (
          <li key={`${p.program} ${p.fromMinute}`} className="border-edge/60 border-b py-1">
            <button
              type="button"
              className="block w-full text-left"
              onClick={() => show({ minute: p.fromMinute })}
            >
              <span className="flex justify-between gap-2">
                <span className="min-w-0 truncate">{p.tool}</span>
                <span className="num shrink-0">{p.minutes.toFixed(1)} min</span>
              </span>
              <span
                className="bg-petrol/70 block h-1 rounded"
                style={{ width: `${(100 * p.minutes) / longest}%` }}
              />
            </button>
          </li>
        ))}
      </ol>
    </>
  );
}

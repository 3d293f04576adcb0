import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type Facts, type Job, type NetLine } from '../api/client';
import { useView } from '../store/view';
import { pictureKey } from '../table/useLayers';
import { length } from '../units';
import { Fact, Panel } from '../ui/Panel';
import { search, type Hit } from './find';
import { Print } from './Print';
import { Shown } from '../ui/Shown';

interface HoleSize {
  diameter: number;
  plated: boolean;
  slots: number;
  count: number;
}

function sizes(job: Job): HoleSize[] {
  const bySize = new Map<string, HoleSize>();
  for (const h of job.holes) {
    const key = `${h.diameter} ${h.plated}`;
    const size = bySize.get(key) ?? { diameter: h.diameter, plated: h.plated, slots: 0, count: 0 };
    size.count++;
    size.slots += h.x0 !== h.x1 || h.y0 !== h.y1 ? 1 : 0;
    bySize.set(key, size);
  }
  return [...bySize.values()].sort((a, b) => a.diameter - b.diameter);
}

const SMALLEST: Record<string, string> = {
  track: 'Minimum track width',
  gap: 'Minimum clearance',
  ring: 'Minimum annular ring',
  hole: 'Minimum hole',
};

/** The numbers that decide which shop can make the board; a click shows where each was taken. */
function OwnClass({ facts }: { facts: Facts }) {
  const unit = useView((s) => s.unit);
  const lookAt = useView((s) => s.lookAt);
  const addMeasure = useView((s) => s.addMeasure);
  return (
    <>
      {facts.smallest.map((s) => (
        <div
          key={s.what}
          className="border-edge/60 flex items-baseline justify-between gap-3 border-b py-1"
        >
          <span className="text-faint">
            {SMALLEST[s.what] ?? s.what} <span className="text-[13px]">({s.layer})</span>
          </span>
          <button
            type="button"
            className="num hover:text-petrol underline decoration-dotted underline-offset-2"
            title="Show where"
            onClick={() => {
              addMeasure({ x: s.x0, y: s.y0 }, { x: s.x1, y: s.y1 });
              lookAt({
                key: `own ${s.what}`,
                x: (s.x0 + s.x1) / 2,
                y: (s.y0 + s.y1) / 2,
                span: 4e6,
              });
            }}
          >
            {length(s.nm, unit)}
          </button>
        </div>
      ))}
    </>
  );
}

function Find({ job, nets }: { job: Job; nets: NetLine[] }) {
  const unit = useView((s) => s.unit);
  const lit = useView((s) => s.net);
  const [text, setText] = useState('');
  const key = pictureKey(job);
  const parts = useQuery({ queryKey: ['parts', job.id, key], queryFn: () => api.parts(job.id) });
  const named = useQuery({ queryKey: ['named', job.id, key], queryFn: () => api.named(job.id) });
  const hits = useMemo(
    () => search(text, unit, job, nets, parts.data ?? null, named.data ?? []),
    [text, unit, job, nets, parts.data, named.data],
  );
  const show = (h: Hit) => {
    const view = useView.getState();
    view.lightNet(h.net ?? null);
    view.lookAt(h.focus);
  };
  return (
    <div className="mb-3">
      <input
        id="find-field"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && hits[0]) {
            show(hits[0]);
          }
        }}
        placeholder="Find a net, part, hole size or place (F)"
        aria-label="Find a net, part, hole size or place"
        className="border-edge bg-card w-full rounded border px-2 py-1"
      />
      {text.trim() ? (
        <ul
          aria-label="Found"
          className="border-edge bg-card mt-1 max-h-56 overflow-auto rounded border"
        >
          {hits.map((h) => (
            <li key={h.key}>
              <button
                type="button"
                aria-pressed={h.net !== undefined && h.net === lit}
                onClick={() => show(h)}
                className="hover:bg-paper flex w-full items-baseline justify-between gap-2 px-2 py-0.5 text-left"
              >
                <b className="num font-semibold">{h.text}</b>
                <span className="text-faint text-[13px]">{h.note}</span>
              </button>
            </li>
          ))}
          {hits.length === 0 ? (
            <li className="text-faint px-2 py-1">Nothing here is called or measures that.</li>
          ) : null}
        </ul>
      ) : null}
    </div>
  );
}

/** Nets with what can be counted of them; the first hundred, longest first or by name. */
function Nets({ nets }: { nets: NetLine[] }) {
  const unit = useView((s) => s.unit);
  const lit = useView((s) => s.net);
  const [byLength, setByLength] = useState(false);
  const sorted = useMemo(
    () =>
      [...nets].sort((a, b) =>
        byLength ? b.lengthNm - a.lengthNm : a.name.localeCompare(b.name, 'en', { numeric: true }),
      ),
    [nets, byLength],
  );
  return (
    <>
      <div className="mt-4 mb-1 flex items-baseline justify-between">
        <h2 className="font-semibold">Nets</h2>
        <button
          type="button"
          className="text-faint hover:text-ink text-[13px] underline decoration-dotted underline-offset-2"
          onClick={() => setByLength(!byLength)}
        >
          {byLength ? 'by name' : 'longest first'}
        </button>
      </div>
      <table className="w-full">
        <thead className="text-faint text-left text-[13px]">
          <tr>
            <th className="font-normal">net</th>
            <th className="text-right font-normal">tracks, {unit}</th>
            <th className="text-right font-normal">narrowest</th>
            <th className="text-right font-normal">pads</th>
          </tr>
        </thead>
        <tbody>
          <Shown items={sorted} most={100} what="nets" row>
            {(n) => (
              <tr className="border-edge/60 border-b">
                <td>
                  <button
                    type="button"
                    aria-pressed={n.net === lit}
                    onClick={() => useView.getState().lightNet(n.net === lit ? null : n.net)}
                    className="num aria-pressed:bg-petrol hover:text-petrol rounded px-1 text-left break-all aria-pressed:text-white"
                  >
                    {n.name}
                  </button>
                </td>
                <td className="num text-right">
                  {n.lengthNm > 0 ? length(n.lengthNm, unit).split(' ')[0] : ''}
                </td>
                <td className="num text-right">
                  {n.narrowestNm > 0 ? length(n.narrowestNm, unit).split(' ')[0] : ''}
                </td>
                <td className="num text-right">{n.pads}</td>
              </tr>
            )}
          </Shown>
        </tbody>
      </table>
    </>
  );
}

/** The board's facts, its nets and holes, and the way to paper. */
export function LookOver({ job }: { job: Job }) {
  const unit = useView((s) => s.unit);
  const key = pictureKey(job);
  const facts = useQuery({ queryKey: ['facts', job.id, key], queryFn: () => api.facts(job.id) });
  const nets = useQuery({ queryKey: ['nets', job.id, key], queryFn: () => api.nets(job.id) });
  const b = job.board;
  const error = facts.error ?? nets.error;
  return (
    <Panel title="Look over" lead="Point at copper to see what it is; click it to light its net.">
      <Find job={job} nets={nets.data ?? []} />
      {error ? (
        <p role="alert" className="text-stop mb-2">
          {error.message}
        </p>
      ) : null}
      <Fact name="Size">
        {b.widthMm > 0
          ? `${length(b.widthMm * 1e6, unit)} × ${length(b.heightMm * 1e6, unit)}`
          : 'no closed outline'}
      </Fact>
      {facts.data && facts.data.areaMm2 > 0 ? (
        <Fact name="Area">{(facts.data.areaMm2 / 100).toFixed(2)} cm²</Fact>
      ) : null}
      {facts.data?.copper.map((c) => (
        <Fact key={c.role} name={`Copper, ${c.words.replace('copper ', '')}`}>
          {(c.areaMm2 / 100).toFixed(2)} cm²{c.share > 0 ? `, ${Math.round(c.share * 100)} %` : ''}
        </Fact>
      ))}
      <Fact name="Holes, slots">
        {b.holes}, {b.slots}
      </Fact>
      <Fact name="Nets named, parts">
        {b.nets}, {b.parts}
      </Fact>
      <h2 className="mt-4 mb-1 font-semibold">Critical dimensions</h2>
      {facts.data ? <OwnClass facts={facts.data} /> : <p className="text-faint">Measuring …</p>}
      <h2 className="mt-4 mb-1 font-semibold">Holes</h2>
      <table aria-label="Hole sizes" className="w-full">
        <thead className="text-faint text-left text-[13px]">
          <tr>
            <th className="font-normal">plating</th>
            <th className="text-right font-normal">diameter</th>
            <th className="text-right font-normal">count</th>
            <th className="text-right font-normal">of them slots</th>
          </tr>
        </thead>
        <tbody>
          {sizes(job).map((s) => (
            <tr key={`${s.diameter} ${s.plated}`} className="border-edge/60 border-b">
              <td>{s.plated ? 'plated' : 'unplated'}</td>
              <td className="num text-right">{length(s.diameter, unit)}</td>
              <td className="num text-right">{s.count}</td>
              <td className="num text-right">{s.slots || ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Print job={job} />
      <Nets nets={nets.data ?? []} />
    </Panel>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Job, type MillSet, type OnMill } from '../api/client';
import { useWork } from '../api/tasks';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';
import { useMill } from './scene';
import { useSetup } from './useSetup';
import { Shown } from '../ui/Shown';

const MOST_PLACES = 30;

/** Sets of cutters side by side: what each makes of the board, and what it leaves. */
export function CuttersTab({ job, mill }: { job: Job; mill: OnMill }) {
  const queries = useQueryClient();
  const { keep } = useSetup(job);
  const work = useWork();
  const { run } = work;
  const [at, setAt] = useState(0);
  const flipped = useView((s) => s.flipped);
  const show = useMill((s) => s.show);
  const key = ['mill-sets', job.id, job.stamp, JSON.stringify(mill.setup)];
  const sets = useQuery({ queryKey: key, queryFn: () => api.millSets(job.id) });
  const asked = useRef('');
  const stale = sets.data !== undefined && !sets.data.ran;
  const keyText = key.join(' ');
  useEffect(() => {
    if (stale && asked.current !== keyText) {
      asked.current = keyText;
      run(
        () => api.compareSets(job.id),
        () => void queries.invalidateQueries({ queryKey: ['mill-sets', job.id] }),
      );
    }
  }, [stale, keyText, job.id, queries, run]);
  const all = sets.data?.sets ?? [];
  const chosen = all[Math.min(at, all.length - 1)];
  const sides = mill.setup.sides?.length ? mill.setup.sides : mill.sides;
  const side = sides.length === 1 ? (sides[0] ?? 'top') : flipped ? 'bottom' : 'top';
  const asksFor = chosen ? (chosen.found ? [] : chosen.tools) : null;
  const areas = useQuery({
    queryKey: ['mill-areas', ...key, side, asksFor?.join(' ')],
    queryFn: () => api.millAreas(job.id, side, asksFor ?? []),
    enabled: chosen !== undefined,
  });
  useEffect(() => {
    show({ areas: areas.data ?? null });
    return () => show({ areas: null });
  }, [areas.data, show]);
  const inUse = mill.setup.tools ?? [];
  const toggle = (id: string) =>
    keep({
      ...mill.setup,
      tools: inUse.includes(id) ? inUse.filter((t) => t !== id) : [...inUse, id],
    });
  return (
    <div>
      <p className="mb-1">
        {inUse.length === 0
          ? 'The coarsest set that makes this board is found by itself. To decide yourself, pick the tools:'
          : 'You picked these tools; pick none to have the set found.'}
      </p>
      <div role="group" aria-label="Tools to isolate with" className="mb-3 flex flex-wrap gap-1">
        {mill.tools
          .filter((t) => t.kind !== 'drill')
          .sort((a, b) => b.width - a.width)
          .map((t) => (
            <Button
              key={t.id}
              title={t.name}
              aria-pressed={inUse.includes(t.id)}
              className="aria-pressed:border-sienna aria-pressed:font-semibold"
              onClick={() => toggle(t.id)}
            >
              {t.id}
            </Button>
          ))}
      </div>
      <Working work={work} />
      <ul aria-label="Sets of cutters" className="mt-2 flex flex-col gap-1.5">
        {all.map((s, i) => (
          <li key={`${s.found} ${s.tools.join(' ')}`}>
            <SetCard set={s} pressed={i === at} onClick={() => setAt(i)} />
          </li>
        ))}
      </ul>
      {chosen ? <Detail set={chosen} /> : null}
    </div>
  );
}

function SetCard({
  set,
  pressed,
  onClick,
}: {
  set: MillSet;
  pressed: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={onClick}
      className="border-edge bg-card aria-pressed:border-sienna block w-full rounded border px-3 py-1.5 text-left aria-pressed:border-2"
    >
      <span className="flex justify-between gap-2">
        <b className="font-semibold">
          {set.found ? 'Found: ' : set.chosen ? 'Picked: ' : ''}
          {set.tools.join(' + ')}
        </b>
        <span className="num shrink-0">{set.minutes.toFixed(0)} min</span>
      </span>
      <span className={set.makes ? 'text-good block' : 'text-stop block font-semibold'}>
        {set.makes
          ? '✓ cuts every net free'
          : set.joined === 0
            ? 'nothing to isolate'
            : `✗ nets stay joined at ${set.joined} ${set.joined === 1 ? 'place' : 'places'}`}
      </span>
      <span className="text-faint block">
        {set.unreached} {set.unreached === 1 ? 'place' : 'places'} out of reach,{' '}
        {set.unreachedMm2.toFixed(2)} mm²
        {set.nicked > 0
          ? `; ${set.nicked} pads nicked, ${(100 * set.mostNicked).toFixed(1)} % at most`
          : ''}
      </span>
    </button>
  );
}

function Detail({ set }: { set: MillSet }) {
  const unit = useView((s) => s.unit);
  const look = useView((s) => s.lookAt);
  const spots = set.joined > 0 ? set.joinedAt : set.unreachedAt;
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">What each tool cuts</h2>
      <table className="w-full">
        <tbody>
          {set.shares.map((s) => (
            <tr key={`${s.side} ${s.tool}`} className="border-edge/60 border-b align-top">
              <td className="py-0.5">
                {s.tool}
                <span className="text-faint block text-[12.5px]">
                  {s.side}, {length(s.width, unit)} wide
                </span>
              </td>
              <td className="num py-0.5 text-right whitespace-nowrap">
                {s.lengthMm.toFixed(0)} mm
                <span className="block">{s.minutes.toFixed(1)} min</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {set.roundedCorners > 0 ? (
        <p className="mt-2">
          {set.roundedCorners} inside corners of the outline stay rounded, by{' '}
          {length(set.mostRounded, unit)} at most.
        </p>
      ) : null}
      {spots.length > 0 ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">
            {set.joined > 0 ? 'Where nets stay joined' : 'Out of reach'}
          </h2>
          <ul aria-label="Places">
            <Shown items={spots} most={MOST_PLACES} what="places">
              {(p, i) => (
                <li>
                  <button
                    type="button"
                    className="hover:bg-edge/40 border-edge/60 flex w-full justify-between gap-2 border-b py-1 text-left"
                    onClick={() => look({ key: `mill ${i}`, x: p.at.x, y: p.at.y, span: 4e6 })}
                  >
                    <span className="min-w-0 truncate">
                      {p.nets.length > 0 ? p.nets.join(' · ') : 'no net'}
                      <span className="text-faint"> {p.side}</span>
                    </span>
                    <span className="num shrink-0">
                      {set.joined > 0 ? `gap ${length(p.nm, unit)}` : `${p.areaMm2.toFixed(3)} mm²`}
                    </span>
                  </button>
                </li>
              )}
            </Shown>
          </ul>
        </>
      ) : null}
    </>
  );
}

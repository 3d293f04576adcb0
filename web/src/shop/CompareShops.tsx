import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, type Job, type Shops } from '../api/client';
import { useWork } from '../api/tasks';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Working } from '../ui/Working';

type Design = Shops['design'][number];
type Shop = Shops['shops'][number];

/** Whether a shop can make what the board has of a number; unknown where it states none. */
export function fits(d: Design, shop: Shop): boolean | null {
  const limit = shop.limits[d.id];
  if (limit === undefined) {
    return null;
  }
  return d.least ? d.nm >= limit - 600 : d.nm <= limit + 600;
}

/** Minutes as one says them: "45 min", "2 h 10 min". */
export function hours(minutes: number): string {
  const all = Math.max(1, Math.round(minutes));
  return all < 60 ? `${all} min` : `${Math.floor(all / 60)} h ${all % 60} min`;
}

/** All shops side by side: what stops the board at each, and the numbers that decide it. */
export function CompareShops({
  job,
  onClose,
  onChoose,
}: {
  job: Job;
  onClose: () => void;
  onChoose: (sheet: string) => void;
}) {
  const queries = useQueryClient();
  const work = useWork();
  const { run } = work;
  const shops = useQuery({
    queryKey: ['shops', job.id, job.stamp],
    queryFn: () => api.shops(job.id),
  });
  const asked = useRef('');
  useEffect(() => {
    if (shops.data && !shops.data.ran && asked.current !== job.stamp) {
      asked.current = job.stamp;
      run(
        () => api.work(job.id, 'shops'),
        () => void queries.invalidateQueries({ queryKey: ['shops', job.id] }),
      );
    }
  }, [shops.data, job.id, job.stamp, queries, run]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Which shop?" wide>
      {shops.data?.ran ? (
        <Table shops={shops.data} job={job} onClose={onClose} onChoose={onChoose} />
      ) : (
        <p>The board is held against every sheet; a mill takes a little longer.</p>
      )}
      <Working work={work} />
      {shops.error ? (
        <p role="alert" className="text-stop">
          {shops.error.message}
        </p>
      ) : null}
    </Dialog>
  );
}

function Table({
  shops,
  job,
  onClose,
  onChoose,
}: {
  shops: Shops;
  job: Job;
  onClose: () => void;
  onChoose: (sheet: string) => void;
}) {
  const unit = useView((s) => s.unit);
  const batches = [...new Set(shops.shops.flatMap((s) => s.batches.map((b) => b.boards)))];
  const show = (x: number, y: number) => {
    useView.getState().lookAt({ key: 'found decides', x, y, span: 6e6 });
    onClose();
  };
  return (
    <>
      <p className="text-faint mb-2">
        With your headroom and order. A number of the board is where it is narrowest: click it to go
        there. What a shop cannot do is marked ×.
      </p>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="border-edge border-b text-left align-bottom">
            <th className="min-w-[9.5rem] pr-2 font-semibold">number</th>
            <th className="px-2 text-right font-semibold">this board</th>
            {shops.shops.map((s) => (
              <th key={s.sheetId} data-shop={s.sheetId} className="px-2 text-right font-semibold">
                {s.name}
                <Button
                  look={s.sheetId === job.sheetId ? 'main' : 'plain'}
                  className="mt-1 ml-auto block px-2 py-0 text-[13px]"
                  onClick={() => onChoose(s.sheetId)}
                >
                  {s.sheetId === job.sheetId ? 'chosen' : 'choose'}
                </Button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="border-edge border-b">
            <td className="py-1 pr-2">stop / look findings</td>
            <td />
            {shops.shops.map((s) => (
              <td
                key={s.sheetId}
                className={`num px-2 text-right ${s.stops > 0 ? 'text-stop font-semibold' : 'text-good'}`}
              >
                {s.stops > 0 ? '×' : '✓'} {s.stops} / {s.looks}
              </td>
            ))}
          </tr>
          <tr className="border-edge border-b">
            <td className="py-1 pr-2">this order</td>
            <td />
            {shops.shops.map((s) => (
              <td key={s.sheetId} className="num px-2 text-right whitespace-nowrap">
                {s.quote ? (
                  <>
                    {s.quote.total.toFixed(2)} {s.quote.currency}
                    <span className="text-faint block">
                      {s.quote.days === 0 ? 'own work, below' : `${s.quote.days} days`}
                    </span>
                    {s.quote.hint ? (
                      <span className="text-look block text-[13px] whitespace-normal">
                        {s.quote.hint}
                      </span>
                    ) : null}
                  </>
                ) : (
                  <span className="text-faint">not known</span>
                )}
                {s.conflicts.map((c) => (
                  <span key={c} className="text-stop block text-[13px] whitespace-normal">
                    × {c}
                  </span>
                ))}
              </td>
            ))}
          </tr>
          {batches.map((n) => (
            <tr key={n} data-batch={n} className="border-edge/60 border-b align-top">
              <td className="py-0.5 pr-2">{n === 1 ? '1 board' : `${n} boards`}</td>
              <td />
              {shops.shops.map((s) => {
                const b = s.batches.find((x) => x.boards === n);
                return (
                  <td key={s.sheetId} className="num px-2 text-right whitespace-nowrap">
                    {b ? `${b.total.toFixed(2)} ${b.currency}` : '–'}
                    {b ? (
                      <span className="text-faint block text-[13px]">
                        {b.minutes > 0 ? `${hours(b.minutes)} work` : `${b.days} days`}
                      </span>
                    ) : null}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="border-edge border-b align-top">
            <td className="py-1 pr-2">own work for one board</td>
            <td />
            {shops.shops.map((s) => (
              <td
                key={s.sheetId}
                data-work={s.sheetId}
                className="px-2 py-1 text-right text-[13px]"
              >
                {s.work.minutes === 0 ? (
                  <span className="text-faint">none</span>
                ) : (
                  <>
                    <span className="block">{hours(s.work.minutes)}</span>
                    <span className="block">{s.work.toolChanges} tool changes</span>
                    <span className="block">{s.work.cutMetres.toFixed(1)} m cut</span>
                    {s.work.wear > 0 && s.quote ? (
                      <span className="block">
                        cutter wear {s.work.wear.toFixed(2)} {s.quote.currency}
                      </span>
                    ) : null}
                    {s.work.joints > 0 ? (
                      <span className="block">{s.work.joints} wires or rivets</span>
                    ) : null}
                    <span className="text-look block">no {s.work.lacks.join(', no ')}</span>
                  </>
                )}
              </td>
            ))}
          </tr>
          {shops.design.map((d) => (
            <tr key={d.id} data-number={d.id} className="border-edge/60 border-b">
              <td className="py-0.5 pr-2">{d.title}</td>
              <td className="px-2 text-right">
                <button
                  type="button"
                  className="num whitespace-nowrap underline"
                  onClick={() => show((d.from.x + d.to.x) / 2, (d.from.y + d.to.y) / 2)}
                >
                  {length(d.nm, unit)}
                </button>
              </td>
              {shops.shops.map((s) => {
                const ok = fits(d, s);
                const limit = s.limits[d.id];
                return (
                  <td
                    key={s.sheetId}
                    className={`num px-2 text-right whitespace-nowrap ${ok === false ? 'text-stop font-semibold' : ok === null ? 'text-faint' : ''}`}
                  >
                    {ok === false ? '× ' : ''}
                    {limit === undefined ? 'no number' : length(limit, unit)}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="align-top">
            <td className="py-1 pr-2">what stops it</td>
            <td />
            {shops.shops.map((s) => (
              <td key={s.sheetId} className="px-2 py-1 text-right text-[13px]">
                {s.stopped.length === 0 ? <span className="text-good">nothing</span> : null}
                {s.stopped.map((p) => (
                  <button
                    key={p.rule}
                    type="button"
                    title={p.message}
                    className="block w-full text-right underline"
                    onClick={() => show(p.at.x, p.at.y)}
                  >
                    {p.title} <span className="num">{p.places}</span>
                  </button>
                ))}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </>
  );
}

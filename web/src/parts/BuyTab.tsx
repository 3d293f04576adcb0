import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { Button } from '../ui/Button';
import { Fact } from '../ui/Panel';
import { useNow } from '../ui/useNow';
import { Working } from '../ui/Working';
import { age, money } from './words';

const AIMS = [
  { id: 'cheapest', text: 'Cheapest, carriage counted' },
  { id: 'fewest-sellers', text: 'Fewest sellers' },
  { id: 'in-stock', text: 'All in stock today' },
] as const;

/** Where the parts are bought that the shop does not bring: a basket for each seller. */
export function BuyTab({ job }: { job: Job }) {
  const queries = useQueryClient();
  const work = useWork();
  const [aim, setAim] = useState<string>('cheapest');
  const baskets = useQuery({
    queryKey: ['baskets', job.id, job.version, aim],
    queryFn: () => api.baskets(job.id, aim),
    placeholderData: (before) => before,
  });
  const now = useNow();
  const data = baskets.data;
  const ask = () =>
    work.run(
      () => api.askSellers(job.id),
      () => void queries.invalidateQueries({ queryKey: ['baskets', job.id] }),
    );
  if (!data) {
    return <p>Reading …</p>;
  }
  return (
    <>
      <p className="text-faint">
        Everything that the shop does not bring: parts soldered by hand, or all parts where bare
        boards are ordered.
      </p>
      <div role="radiogroup" aria-label="What matters" className="my-2">
        {AIMS.map((a) => (
          <label key={a.id} className="flex items-baseline gap-2">
            <input
              type="radio"
              name="aim"
              value={a.id}
              checked={aim === a.id}
              onChange={() => setAim(a.id)}
            />
            {a.text}
          </label>
        ))}
      </div>
      <div className="flex items-center justify-between gap-2">
        <Button
          look={data.asOf === '' ? 'main' : 'plain'}
          disabled={work.state !== null || data.kinds === 0}
          onClick={ask}
        >
          {data.asOf === '' ? 'Ask the counters' : 'Ask again'}
        </Button>
        <span className="text-faint text-[13px]">
          {data.kinds === 0
            ? 'nothing to buy by number'
            : data.asOf === ''
              ? `${data.kinds} part numbers`
              : `asked ${age(data.asOf, now)}`}
        </span>
      </div>
      <Working work={work} />
      {data.faults.map((f) => (
        <p key={f} role="alert" className="text-look mt-1">
          {f}
        </p>
      ))}
      {data.baskets.map((b) => (
        <section key={b.seller} aria-label={`Basket of ${b.seller}`} className="mt-3">
          <div className="flex items-baseline justify-between gap-2">
            <h3 className="font-semibold">{b.seller}</h3>
            <a
              className="underline"
              href={api.basketTable(job.id, aim, b.seller)}
              download={`basket-${b.seller}.csv`}
            >
              CSV
            </a>
          </div>
          <ul>
            {b.lines.map((l) => (
              <li key={l.number} data-buy={l.number} className="border-edge/60 border-b py-0.5">
                <div className="flex items-baseline justify-between gap-2">
                  <span className="num min-w-0 break-all">{l.number}</span>
                  <span className="num shrink-0">{money(l.sum, data.currency)}</span>
                </div>
                <p className="text-faint text-[13px]">
                  {l.designators.join(' ')}: {l.pieces}
                  {l.pieces > l.wanted ? ` for ${l.wanted} wanted` : ''} at{' '}
                  {money(l.each, data.currency)}
                  {l.inStock ? '' : <span className="text-look">, not in stock today</span>}
                </p>
              </li>
            ))}
          </ul>
          <Fact name={`Carriage, ${b.days} days`}>{money(b.carriage, data.currency)}</Fact>
        </section>
      ))}
      {data.baskets.length > 0 ? (
        <div className="flex items-baseline justify-between py-1 font-semibold">
          <span>
            {data.baskets.length === 1 ? 'One parcel' : `${data.baskets.length} parcels`} together
          </span>
          <span className="num" data-baskets-total>
            {money(data.total, data.currency)}
          </span>
        </div>
      ) : null}
      {data.asOf !== '' && data.nowhere.length > 0 ? (
        <p role="status" className="text-stop mt-1">
          Nobody has {data.nowhere.join(', ')}
          {aim === 'in-stock' ? ' in stock today' : ''}.
        </p>
      ) : null}
      {data.unnamed.length > 0 ? (
        <p className="text-look mt-1">
          Without a part number, so not in any basket: {data.unnamed.join(' ')}. Choose a part for
          each on the list.
        </p>
      ) : null}
    </>
  );
}

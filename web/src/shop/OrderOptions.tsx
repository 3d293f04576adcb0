import { useState } from 'react';
import { api, type Job, type Limits, type OrderMark } from '../api/client';
import { NumberField } from '../ui/NumberField';
import { Fact } from '../ui/Panel';
import { MarkPlace, OUR_PLACE } from './MarkPlace';
import { OptionRow } from './OptionRow';
import { useOrder } from './useOrder';

/** "Fri 18 Dec", as the reader's own language writes it. */
function day(iso: string): string {
  return new Date(`${iso}T12:00`).toLocaleDateString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
}

/** What is chosen of the shop's options, what each choice does, and what all of it costs. */
export function OrderOptions({
  job,
  limits,
  onChange,
  onMark,
}: {
  job: Job;
  limits: Limits;
  onChange: (chosen: Record<string, string>, quantity?: number) => void;
  onMark: (chosen: Record<string, string>, mark: OrderMark) => void;
}) {
  const order = useOrder(job);
  const chosen = limits.order;
  const data = order.data;
  const currency = data?.quote?.currency ?? '';
  const [noRoom, setNoRoom] = useState(false);
  const whereThereIsRoom = (of: Record<string, string>) =>
    void api.freeMark(job.id).then((free) => {
      setNoRoom(free === null);
      if (free) {
        onMark(of, free);
      } else {
        onChange(of);
      }
    });
  const choose = (id: string, value: string) => {
    const of = { ...chosen, [id]: value };
    if (id === 'order-mark' && value === OUR_PLACE && !data?.mark) {
      whereThereIsRoom(of);
    } else {
      onChange(of);
    }
  };
  return (
    <section aria-label="Order">
      <h2 className="mt-4 mb-1 font-semibold">Order</h2>
      {limits.refused.length > 0 ? (
        <p className="text-look mb-1 text-[13px]">
          Not offered here, so the usual is taken: {limits.refused.join(', ')}.
        </p>
      ) : null}
      <div className="border-edge/60 flex items-center justify-between gap-2 border-b py-0.5">
        <span className="text-faint">Boards</span>
        <NumberField
          label="Boards"
          value={data?.quantity ?? null}
          onCommit={(n) => onChange(chosen, Math.max(1, Math.round(n ?? 1)))}
        />
      </div>
      {data?.options.map((o) => (
        <OptionRow key={o.id} option={o} currency={currency} onChoose={(v) => choose(o.id, v)}>
          {o.id === 'order-mark' && o.chosen === OUR_PLACE ? (
            <MarkPlace
              mark={data.mark}
              onPlace={(m) => onMark(chosen, m)}
              onFree={() => whereThereIsRoom(chosen)}
            />
          ) : null}
          {o.id === 'order-mark' && noRoom ? (
            <p role="status" className="text-look text-[13px]">
              There is no free room of 10 × 2 mm on either side.
            </p>
          ) : null}
        </OptionRow>
      ))}
      {data?.hints.map((h) => (
        <p key={h} role="status" className="text-look mt-1.5">
          {h}
        </p>
      ))}
      {data?.quote ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">Price</h2>
          <div aria-label="Quote" role="group">
            {data.quote.lines.map((l) => (
              <Fact key={l.text} name={l.text}>
                <span className="whitespace-nowrap">
                  {l.amount.toFixed(2)} {currency}
                </span>
              </Fact>
            ))}
            <div className="flex items-baseline justify-between gap-3 py-1 font-semibold">
              <span>
                Total
                {data.quote.days === 0
                  ? ''
                  : `, in ${data.quote.days} ${data.quote.days === 1 ? 'day' : 'days'}`}
              </span>
              <span className="num">
                {data.quote.total.toFixed(2)} {currency}
              </span>
            </div>
            {data.arrives && data.quote.days > 0 ? (
              <p className="text-faint text-[13px]" data-arrives={data.arrives}>
                Arrives about {day(data.arrives)}
                {data.cutOff ? `; orders count from the same day until ${data.cutOff}` : ''}.
              </p>
            ) : null}
            {data.quote.hint ? <p className="text-look text-[13px]">{data.quote.hint}.</p> : null}
          </div>
        </>
      ) : null}
    </section>
  );
}

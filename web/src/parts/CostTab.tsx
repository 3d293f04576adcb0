import { api, type Job, type Parts } from '../api/client';
import { go } from '../router';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { money, pieces } from './words';
import type { PartsChange } from './usePartsChange';
import { Shown } from '../ui/Shown';

const WHAT: Record<string, string> = {
  parts: 'parts',
  loading: 'loading to order',
  fitting: 'fitting',
  setup: 'set-up of the line',
};

/** What the batch costs, what makes it dear, and what would save. */
export function CostTab({ job, parts, change }: { job: Job; parts: Parts; change: PartsChange }) {
  const { cost, currency } = parts;
  if (!cost) {
    return (
      <>
        <p>What parts cost hangs on who fits them.</p>
        <Button look="main" className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a shop
        </Button>
      </>
    );
  }
  const dearest = cost.items[0]?.amount ?? 1;
  const over = parts.hints.filter((h) => h.kind === 'by-hand');
  const line = (h: Parts['hints'][number]) => (
    <li
      key={h.words}
      className="border-edge/60 grid grid-cols-[minmax(0,1fr)_5.5rem_4.2rem] items-center gap-2 border-b py-0.5"
    >
      <span>{h.words}</span>
      <span className="num text-right" data-saves={h.saves ?? undefined}>
        {h.saves == null ? (
          <span className="text-faint">no price</span>
        ) : (
          `− ${money(h.saves, currency)}`
        )}
      </span>
      {Object.keys(h.take).length > 0 ? (
        <Button
          disabled={change.busy}
          onClick={() => change.make(() => api.chooseParts(job.id, [parts.built], h.take))}
        >
          Take
        </Button>
      ) : (
        <span />
      )}
    </li>
  );
  return (
    <>
      <label className="flex items-center gap-2">
        Boards in the batch
        <NumberField
          label="Boards in the batch"
          value={parts.boards}
          onCommit={(n) => {
            if (n !== null && Number.isInteger(n) && n >= 1) {
              change.make(() => api.setQuantity(job.id, n));
            }
          }}
        />
      </label>
      <p className="mt-2 text-xl">
        <span className="num font-semibold" data-cost="batch">
          {money(cost.batch, currency)}
        </span>{' '}
        <span className="text-faint text-base">
          for the batch, <span className="num">{money(cost.perBoard, currency)}</span> a board
        </span>
      </p>
      {cost.unpriced.length > 0 ? (
        <p className="text-look text-[13px]">
          ! At least: {cost.unpriced.length}{' '}
          {cost.unpriced.length === 1 ? 'kind has' : 'kinds have'} no known price (
          {cost.unpriced.slice(0, 6).join('; ')}
          {cost.unpriced.length > 6 ? ' …' : ''}).
        </p>
      ) : null}
      <h2 className="mt-3 mb-1 font-semibold">What would save</h2>
      {parts.hints.length === 0 ? (
        <p className="text-faint">Nothing that is known of.</p>
      ) : (
        <ul aria-label="What would save">
          {parts.hints.filter((h) => h.kind !== 'by-hand').map(line)}
        </ul>
      )}
      {over.length > 0 ? (
        <>
          <p className="mt-2">
            <span className="num">{parts.limits.loaded}</span> kinds must be loaded to order and{' '}
            {parts.limits.shop} loads <span className="num">{parts.limits.mostLoaded}</span>. The
            fewest first:
          </p>
          <ul aria-label="Over the limit">{over.map(line)}</ul>
        </>
      ) : null}
      <h2 className="mt-3 mb-1 font-semibold">What makes it dear</h2>
      <ul aria-label="What makes it dear">
        <Shown items={cost.items} most={40} what="items">
          {(i) => (
            <li className="border-edge/60 grid grid-cols-[minmax(0,1fr)_7.5rem_5.5rem] items-baseline gap-2 border-b py-0.5">
              <span className="relative min-w-0">
                <span
                  aria-hidden
                  className="bg-sienna/15 absolute inset-y-0 left-0"
                  style={{ width: `${(100 * i.amount) / dearest}%` }}
                />
                <span className="relative">
                  <span className="num text-[13px] break-words">{i.designators}</span>{' '}
                  <span className="text-faint text-[13px]">{WHAT[i.what] ?? i.what}</span>
                </span>
              </span>
              <span className="num text-faint text-right text-[12.5px]">
                {pieces(i.pieces)} × {money(i.each, '')}
              </span>
              <span className="num text-right">{money(i.amount, currency)}</span>
            </li>
          )}
        </Shown>
      </ul>
    </>
  );
}

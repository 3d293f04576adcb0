import { useState } from 'react';
import { api, type Job, type Placement } from '../api/client';
import type { PartsChange } from '../parts/usePartsChange';
import { Button } from '../ui/Button';
import { Fact } from '../ui/Panel';
import { KindCard } from './KindCard';
import { degrees, verdict } from './words';

const INK = { good: 'text-good', look: 'text-look font-semibold', open: 'text-faint' } as const;

/** The footprints, what is held of each, and who fits what. */
export function ByPackage({
  job,
  placement,
  change,
}: {
  job: Job;
  placement: Placement;
  change: PartsChange;
}) {
  const [open, setOpen] = useState('');
  const id = (k: Placement['packages'][number]) => `${k.footprint} ${k.side}`;
  const kind = placement.packages.find((k) => id(k) === open);
  if (kind) {
    return (
      <KindCard
        key={open}
        job={job}
        placement={placement}
        kind={kind}
        change={change}
        onBack={() => setOpen('')}
      />
    );
  }
  const order = { look: 0, open: 1, good: 2 };
  const rows = [...placement.packages].sort(
    (a, b) => order[verdict(a).mark] - order[verdict(b).mark],
  );
  const elsewhere = placement.packages.filter(
    (k) => typeof k.proposed === 'number' && k.proposed !== k.turn,
  );
  const unknown = placement.packages.flatMap((k) => k.parts.filter((p) => p.state === 'unknown'));
  return (
    <div>
      {placement.fits ? (
        <div className="mb-3">
          <Fact name={`placed by ${placement.shop}`}>
            {placement.lines}
            {typeof placement.most !== 'number' ? '' : ` of ${placement.most} it takes`}
          </Fact>
          {placement.sides
            .filter((s) => s.house + s.hand > 0)
            .map((s) => (
              <Fact key={s.side} name={`on the ${s.side}`}>
                {s.house} by the house, {s.hand} by hand, {s.fiducials} fiducials{' '}
                {s.fits ? (
                  <label className="ml-2 whitespace-nowrap">
                    <input
                      type="checkbox"
                      checked={s.byHand}
                      disabled={change.busy}
                      onChange={(e) =>
                        change.make(() => api.byHand(job.id, { side: s.side }, e.target.checked))
                      }
                    />{' '}
                    all by hand
                  </label>
                ) : (
                  <span className="text-faint">(not fitted there)</span>
                )}
              </Fact>
            ))}
        </div>
      ) : (
        <p className="text-faint mb-3">
          {placement.shop ? placement.bare : 'No shop is chosen'}: all of them are soldered by hand.
        </p>
      )}
      {elsewhere.length > 0 ? (
        <div className="border-petrol/60 mb-3 rounded border p-2.5">
          <p>
            {placement.shop} wants pin 1 at the {placement.zero} at 0° (IEC 61188-7). In this pack
            it lies elsewhere for{' '}
            {elsewhere.map((k) => `${k.footprint} (${k.parts.length})`).join(', ')}.
          </p>
          <Button
            className="mt-1.5"
            disabled={change.busy}
            onClick={() =>
              change.make(() =>
                api.turns(
                  job.id,
                  elsewhere.map((k) => ({
                    packageName: k.footprint,
                    degrees: k.proposed ?? 0,
                  })),
                ),
              )
            }
          >
            Turn these to the shop’s zero
          </Button>
        </div>
      ) : null}
      <ul aria-label="Footprints">
        {rows.map((k) => {
          const v = verdict(k);
          return (
            <li key={id(k)} className="border-edge/60 border-b">
              <button
                type="button"
                data-kind={k.footprint}
                onClick={() => setOpen(id(k))}
                className="hover:bg-paper grid w-full grid-cols-[minmax(0,1fr)_2.5rem_minmax(0,1.1fr)] items-baseline gap-x-2 py-1.5 text-left"
              >
                <span className="min-w-0">
                  <b className="font-semibold">{k.footprint || 'no footprint'}</b>
                  <span className="text-faint">{k.side === 'bottom' ? ', bottom' : ''}</span>
                  <span className="text-faint block text-[13px]">
                    {k.pinOne ? `pin 1 ${k.pinOne} at 0°` : 'no pin 1 known'}
                    {k.turn === 0 ? '' : `, turned by ${degrees(k.turn)}`}
                  </span>
                </span>
                <span className="num text-right">{k.parts.length}</span>
                <span className="min-w-0 text-right">
                  <span className={INK[v.mark]}>{v.words}</span>
                  <span className="text-faint block text-[13px]">
                    {[
                      k.looked === 'now' ? 'looked at' : k.looked === 'before' ? 'look again' : '',
                      k.byHand ? 'by hand' : '',
                    ]
                      .filter((w) => w !== '')
                      .join(', ')}
                  </span>
                  {k.polarity?.assumed ? (
                    <span className="text-look block text-[13px]">polarity assumed</span>
                  ) : null}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {unknown.length > 0 ? (
        <p className="text-faint mt-2">
          Of {unknown.map((p) => p.designator).join(' ')} nothing tells how they lie: open their
          footprint and look.
        </p>
      ) : null}
    </div>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job, type PlacedKind, type Placement } from '../api/client';
import type { PartsChange } from '../parts/usePartsChange';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { KindPicture } from './KindPicture';
import { PolarityOf } from './PolarityOf';
import { degrees } from './words';

const TURNS = [0, 90, 180, 270];

/** All parts of a footprint laid side by side at 0°, so that the odd one is seen. */
export function KindCard({
  job,
  placement,
  kind,
  change,
  onBack,
}: {
  job: Job;
  placement: Placement;
  kind: PlacedKind;
  change: PartsChange;
  onBack: () => void;
}) {
  const select = useView((s) => s.selectPart);
  const chosen = useView((s) => s.part);
  const [learned, setLearned] = useState<number | null>(null);
  const sheet = useQuery({
    queryKey: ['kind', job.id, job.version, job.revision, kind.footprint, kind.side],
    queryFn: () => api.kindSheet(job.id, kind.footprint, kind.side),
    placeholderData: (before) => before,
  });
  const line = (designator: string) => kind.parts.find((p) => p.designator === designator);
  const turned = kind.parts.filter((p) => p.state === 'turned' && !p.harmless);
  const ofKind = { packageName: kind.footprint };
  const turnPart = (designator: string, by: number) => {
    const own = line(designator)?.turn ?? 0;
    change.make(
      () => api.turn(job.id, { designator }, (own + by) % 360),
      () => setLearned(by),
    );
  };
  const rest = kind.parts.filter((p) => p.turn === 0);
  return (
    <div>
      <div className="mb-2 flex items-baseline gap-2">
        <Button look="quiet" onClick={onBack}>
          ← All footprints
        </Button>
        <h2 className="text-[17px] font-semibold">
          {kind.footprint || 'no footprint'}, {kind.side}
        </h2>
      </div>
      <p className="text-faint mb-2">
        Every one turned back to 0°, seen from its side
        {kind.pinOne ? `: pin 1 at the ${kind.pinOne}` : ''}. They should all look alike.
      </p>
      <ul aria-label="Parts of this footprint" className="mb-3 grid grid-cols-3 gap-2">
        {sheet.data?.parts.map((p) => {
          const own = line(p.designator);
          const odd = p.state === 'turned';
          return (
            <li
              key={p.designator}
              data-odd={odd}
              className={`overflow-hidden rounded border ${odd ? 'border-look border-2' : p.designator === chosen ? 'border-petrol' : 'border-edge'}`}
            >
              <button type="button" className="block w-full" onClick={() => select(p.designator)}>
                <KindPicture part={p} reach={sheet.data?.reach ?? 1} />
                <span className="flex justify-between px-1.5 py-0.5">
                  <b className="font-semibold">{p.designator}</b>
                  <span className="num">{degrees(own?.outDeg ?? p.rotationDeg)}</span>
                </span>
              </button>
              {odd ? (
                <div className="px-1.5 pb-1.5 text-[13px]">
                  <p className="text-look">
                    {own?.harmless ? 'turned, which does not matter' : 'turned, held against '}
                    {own?.harmless ? '' : own?.because}
                  </p>
                  <Button
                    className="mt-1 w-full"
                    disabled={change.busy}
                    onClick={() => turnPart(p.designator, p.turnDeg)}
                  >
                    Turn it by {degrees(p.turnDeg)}
                  </Button>
                </div>
              ) : null}
              {own && own.turn !== 0 ? (
                <button
                  type="button"
                  className="text-petrol px-1.5 pb-1 text-left text-[13px] underline decoration-dotted underline-offset-2"
                  onClick={() => turnPart(p.designator, -own.turn + 360)}
                >
                  turned by {degrees(own.turn)} here, take back
                </button>
              ) : null}
              {p.state === 'unknown' && own ? (
                <p className="text-faint px-1.5 pb-1.5 text-[13px]">{own.because}</p>
              ) : null}
            </li>
          );
        })}
      </ul>
      {learned !== null && rest.length > 0 && turned.length === 0 ? (
        <div className="border-petrol/60 mb-3 rounded border p-2.5">
          <p>
            If all of {kind.footprint} are to be turned so: that touches{' '}
            {rest.map((p) => p.designator).join(' ')}.
          </p>
          <Button
            className="mt-1.5"
            disabled={change.busy}
            onClick={() =>
              change.make(async () => {
                await api.turns(job.id, [
                  ...kind.parts
                    .filter((p) => p.turn !== 0)
                    .map((p) => ({ designator: p.designator, degrees: 0 })),
                  { ...ofKind, degrees: (kind.turn + learned) % 360 },
                ]);
                setLearned(null);
              })
            }
          >
            Turn all {kind.parts.length} by {degrees(learned)}
          </Button>
        </div>
      ) : null}
      <div className="border-edge/60 flex items-center justify-between gap-2 border-t py-1.5">
        <span>Turn all {kind.parts.length} of it by</span>
        <Select
          label="Turn the package"
          value={String(kind.turn)}
          onValueChange={(v) => change.make(() => api.turn(job.id, ofKind, Number(v)))}
          options={[...new Set([...TURNS, kind.turn])].map((t) => ({
            value: String(t),
            text: degrees(t),
          }))}
        />
      </div>
      {kind.polarity ? <PolarityOf job={job} kind={kind} change={change} /> : null}
      {typeof kind.proposed === 'number' && placement.zero ? (
        <div className="border-edge/60 flex items-center justify-between gap-2 border-t py-1.5">
          <span>
            {placement.shop} wants pin 1 at the {placement.zero} at 0°
          </span>
          {kind.proposed === kind.turn ? (
            <span className="text-good">so it is</span>
          ) : (
            <Button
              disabled={change.busy}
              onClick={() => change.make(() => api.turn(job.id, ofKind, kind.proposed ?? 0))}
            >
              Turn all by {degrees(kind.proposed)}
            </Button>
          )}
        </div>
      ) : null}
      <label className="border-edge/60 flex items-center gap-2 border-t py-1.5">
        <input
          type="checkbox"
          checked={kind.looked === 'now'}
          disabled={change.busy}
          onChange={(e) =>
            change.make(() => api.lookedAt(job.id, kind.footprint, kind.side, e.target.checked))
          }
        />
        Looked at: they all lie as they should
        {kind.looked === 'before' ? (
          <span className="text-look">(they lie otherwise since)</span>
        ) : null}
      </label>
      {placement.fits ? (
        <label className="border-edge/60 flex items-center gap-2 border-t py-1.5">
          <input
            type="checkbox"
            checked={kind.byHand}
            disabled={change.busy}
            onChange={(e) => change.make(() => api.byHand(job.id, ofKind, e.target.checked))}
          />
          Soldered by hand: {placement.shop} gets none of them
        </label>
      ) : null}
    </div>
  );
}

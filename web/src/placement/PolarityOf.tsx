import { api, type Job, type PlacedKind } from '../api/client';
import type { PartsChange } from '../parts/usePartsChange';
import { Select } from '../ui/Select';

/** A choice of the list, as an empty one is none. */
const AS_FOUND = 'as found';

/** Which pin of a footprint is the cathode or the plus: who says so, and the maker's word. */
export function PolarityOf({
  job,
  kind,
  change,
}: {
  job: Job;
  kind: PlacedKind;
  change: PartsChange;
}) {
  const p = kind.polarity;
  if (!p) return null;
  const Terminal = p.terminal === 'plus' ? 'Plus' : 'Cathode';
  return (
    <div className="border-edge/60 border-t py-1.5" data-polarity={p.assumed ? 'assumed' : 'known'}>
      <div className="flex items-center justify-between gap-2">
        <span>
          {Terminal}: pin {p.pin}, {p.words}
        </span>
        <Select
          label={`Which pin is the ${p.terminal}`}
          value={p.told ?? AS_FOUND}
          onValueChange={(v) =>
            change.make(() => api.tellPolarity(job.id, kind.footprint, v === AS_FOUND ? null : v))
          }
          options={[
            { value: AS_FOUND, text: 'as found' },
            ...p.pins.map((pin) => ({ value: pin, text: `pin ${pin}` })),
          ]}
        />
      </div>
      {p.assumed ? (
        <p className="text-look text-[13px]">
          Nothing says which pin of {p.assumed} is the {p.terminal}: look at silk and data sheet,
          and tell it here once for all of {kind.footprint || 'them'}.
        </p>
      ) : null}
    </div>
  );
}

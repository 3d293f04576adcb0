import type { Shaping } from '../api/client';
import { NumberField } from '../ui/NumberField';

type Change = { [K in keyof Shaping]?: Shaping[K] | undefined };

const PANES = { overMm2: 6, webMm: 0.3, coverPercent: 70 };

/** How openings are shaped, for all or for a package. */
export function ShapingForm({
  chosen,
  busy,
  onChange,
}: {
  chosen: Partial<Shaping>;
  busy: boolean;
  onChange: (change: Change) => void;
}) {
  const row = 'border-edge/60 flex items-center justify-between gap-2 border-b py-1';
  return (
    <fieldset disabled={busy}>
      <div className={row}>
        <span>Smaller on each side by</span>
        <span>
          <NumberField
            label="Reduce by mm"
            value={chosen.reduceMm ?? null}
            onCommit={(n) => onChange({ reduceMm: n ?? undefined, reducePercent: undefined })}
          />{' '}
          mm
        </span>
      </div>
      <div className={row}>
        <span>or smaller in area by</span>
        <span>
          <NumberField
            label="Reduce by percent"
            value={chosen.reducePercent ?? null}
            onCommit={(n) => onChange({ reducePercent: n ?? undefined, reduceMm: undefined })}
          />{' '}
          %
        </span>
      </div>
      <div className={row}>
        <span>Corners rounded with</span>
        <span>
          <NumberField
            label="Corner radius"
            value={chosen.cornerMm ?? null}
            onCommit={(n) => onChange({ cornerMm: n ?? undefined })}
          />{' '}
          mm
        </span>
      </div>
      <label className={row}>
        <span>Large openings in panes</span>
        <input
          type="checkbox"
          checked={chosen.panes !== undefined}
          onChange={(e) => onChange({ panes: e.target.checked ? PANES : undefined })}
        />
      </label>
      {chosen.panes ? (
        <div className="border-edge/60 flex flex-wrap items-center justify-end gap-x-1.5 gap-y-1 border-b py-1">
          over
          <NumberField
            label="Panes over"
            className="w-11"
            value={chosen.panes.overMm2 ?? null}
            onCommit={(n) => onChange({ panes: { ...PANES, ...chosen.panes, overMm2: n ?? 6 } })}
          />
          mm², webs from
          <NumberField
            label="Pane web"
            className="w-11"
            value={chosen.panes.webMm ?? null}
            onCommit={(n) => onChange({ panes: { ...PANES, ...chosen.panes, webMm: n ?? 0.3 } })}
          />
          mm, open
          <NumberField
            label="Pane cover"
            className="w-11"
            value={chosen.panes.coverPercent ?? null}
            onCommit={(n) =>
              onChange({ panes: { ...PANES, ...chosen.panes, coverPercent: n ?? 70 } })
            }
          />
          %
        </div>
      ) : null}
      <label className={row}>
        <span>Two-pad parts as home plates</span>
        <input
          type="checkbox"
          checked={chosen.homePlate !== undefined}
          onChange={(e) =>
            onChange({ homePlate: e.target.checked ? { packages: [], ratio: 0.33 } : undefined })
          }
        />
      </label>
      {chosen.homePlate ? (
        <div className="border-edge/60 flex items-center justify-end gap-1.5 border-b py-1">
          pointed over
          <NumberField
            label="Home plate share"
            className="w-11"
            value={Math.round((chosen.homePlate.ratio ?? 0.33) * 100)}
            onCommit={(n) =>
              onChange({
                homePlate: { packages: chosen.homePlate?.packages ?? [], ratio: (n ?? 33) / 100 },
              })
            }
          />
          % of the length
        </div>
      ) : null}
    </fieldset>
  );
}

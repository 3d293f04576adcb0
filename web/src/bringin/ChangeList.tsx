import type { Changes } from '../api/client';
import { useView } from '../store/view';
import { ADDED, hexOfInk, REMOVED } from '../table/inks';
import { length } from '../units';
import { Fact } from '../ui/Panel';
import { Shown } from '../ui/Shown';

function counted(n: number, what: string): string {
  return `${n} ${what}${n === 1 ? '' : 's'}`;
}

/** What the newest revision changed, each change a click away on the table. */
export function ChangeList({
  changes,
  title = `Changed since revision ${changes.since}`,
}: {
  changes: Changes;
  title?: string;
}) {
  const shown = useView((s) => s.showChanges);
  const setShown = useView((s) => s.setShowChanges);
  const unit = useView((s) => s.unit);
  const lookAt = useView((s) => s.lookAt);
  const goTo = (x: number, y: number) =>
    lookAt({ key: `found change ${x} ${y}`, x, y, span: 10e6 });
  const none = changes.layers.length + changes.holes.length + changes.parts.length === 0;
  return (
    <section aria-label="Changes" className="mb-4">
      <h2 className="mb-1 font-semibold">{title}</h2>
      {none ? <p className="text-faint">Nothing: layers, holes and parts are the same.</p> : null}
      {changes.layers.length > 0 ? (
        <>
          <label className="mb-1 flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={shown}
              onChange={(e) => setShown(e.target.checked)}
              className="accent-petrol"
            />
            show on the table:
            <Swatch color={hexOfInk(ADDED)} /> added
            <Swatch color={hexOfInk(REMOVED)} /> removed
          </label>
          {changes.layers.map((l) => (
            <Fact key={l.role} name={l.words}>
              +{l.addedMm2.toFixed(3)} −{l.removedMm2.toFixed(3)} mm²
            </Fact>
          ))}
        </>
      ) : null}
      {changes.holes.length > 0 ? (
        <h3 className="text-faint mt-2">{counted(changes.holes.length, 'hole')}</h3>
      ) : null}
      <ul>
        <Shown items={changes.holes} most={100} what="holes">
          {(h) => (
            <li>
              <button
                type="button"
                className="hover:text-petrol text-left"
                onClick={() => goTo(h.x, h.y)}
              >
                {h.what}{' '}
                <span className="num text-faint text-[13px]">
                  {length(h.x, unit)}, {length(h.y, unit)}
                </span>
              </button>
            </li>
          )}
        </Shown>
      </ul>
      {changes.parts.length > 0 ? (
        <h3 className="text-faint mt-2">{counted(changes.parts.length, 'part')}</h3>
      ) : null}
      <ul>
        <Shown items={changes.parts} most={200} what="parts">
          {(p) => (
            <li>
              <button
                type="button"
                disabled={p.x == null || p.y == null}
                className="enabled:hover:text-petrol text-left"
                onClick={() => goTo(p.x ?? 0, p.y ?? 0)}
              >
                <b className="num font-semibold">{p.designator}</b> {p.what}
              </button>
            </li>
          )}
        </Shown>
      </ul>
    </section>
  );
}

function Swatch({ color }: { color: string }) {
  return (
    <span
      className="border-ink/30 inline-block h-3 w-3 rounded-sm border"
      style={{ background: color }}
    />
  );
}

import { useState } from 'react';
import { api, type Difference, type Job, type Parts } from '../api/client';
import { Button } from '../ui/Button';
import { useView } from '../store/view';
import type { PartsChange } from './usePartsChange';

const SHOWN = 14;

/** What stands in a cell: what is other than in the base, or a mark that it is the same. */
function Cell({ row, at }: { row: Difference; at: number }) {
  const base = row.cells[0];
  const cell = row.cells[at];
  if (!cell || !base) {
    return null;
  }
  if (!cell.fitted) {
    return (
      <span className="border-faint text-faint rounded border border-dashed px-1">left off</span>
    );
  }
  const words = [cell.value, cell.number, cell.footprint && `on ${cell.footprint}`].filter(
    (w) => w !== '',
  );
  const same = at > 0 && words.length === 0 && base.fitted;
  return same ? (
    <span className="text-faint">as base</span>
  ) : (
    <span className={at > 0 ? 'font-semibold' : ''}>{words.join(', ') || 'fitted'}</span>
  );
}

/** So many designators that they can be read; how many more there are is said. */
function short(d: Difference): string {
  const groups = d.designators.split(' ');
  return groups.length <= SHOWN
    ? d.designators
    : `${groups.slice(0, SHOWN).join(' ')} … (${d.names.length} in all)`;
}

/** In what the variants differ: only that is listed, and what differs alike stands on one line. */
export function VariantsTab({
  job,
  parts,
  change,
  onOpen,
}: {
  job: Job;
  parts: Parts;
  change: PartsChange;
  onOpen: (designator: string) => void;
}) {
  const [name, setName] = useState('');
  const selectPart = useView((s) => s.selectPart);
  const add = () =>
    change.make(
      () => api.addVariant(job.id, name.trim(), parts.built || null),
      () => setName(''),
    );
  const differ = parts.differences.reduce((n, d) => n + d.names.length, 0);
  const all =
    parts.kinds.reduce((n, k) => n + k.quantity, 0) + parts.off.reduce((n, k) => n + k.quantity, 0);
  const builds = ['', ...parts.variants];
  return (
    <>
      <fieldset>
        <legend className="text-faint">Built, checked and handed over</legend>
        <div className="mt-1 flex flex-wrap gap-1.5" role="radiogroup" aria-label="What is built">
          {builds.map((b) => (
            <button
              key={b}
              type="button"
              role="radio"
              aria-checked={parts.built === b}
              data-build={b}
              disabled={change.busy}
              onClick={() => change.make(() => api.buildVariant(job.id, b || null))}
              className="border-edge bg-card hover:border-faint aria-checked:border-sienna rounded border px-3 py-1 aria-checked:border-2 aria-checked:font-semibold"
            >
              {b || 'the base'}
            </button>
          ))}
        </div>
      </fieldset>
      <div className="mt-2 flex gap-2">
        <input
          aria-label="Name of a new variant"
          placeholder="name of a new variant"
          value={name}
          data-typing={name !== ''}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && name.trim() !== '' && add()}
          className="border-edge bg-card min-w-0 grow rounded border px-2 py-0.5"
        />
        <Button disabled={change.busy || name.trim() === ''} onClick={add}>
          Add, like {parts.built || 'the base'}
        </Button>
      </div>
      {parts.variants.length === 0 ? (
        <p className="text-faint mt-3">
          One board, several ways to populate it: add a variant, then set parts in it from the list
          or by clicking them on the table.
        </p>
      ) : (
        <>
          <h2 className="mt-4 mb-1 font-semibold">
            In what they differ{' '}
            <span className="text-faint font-normal">
              <span className="num">{differ}</span> of <span className="num">{all}</span> parts
            </span>
          </h2>
          <div className="overflow-x-auto">
            <table aria-label="In what the variants differ" className="w-full text-[13px]">
              <thead className="text-left">
                <tr>
                  <th className="text-faint font-normal">parts</th>
                  {builds.map((b) => (
                    <th key={b} className="px-1.5 font-semibold whitespace-nowrap">
                      {b || 'base'}
                      {b ? (
                        <Button
                          look="quiet"
                          className="!px-1 !py-0"
                          aria-label={`Take variant ${b} away`}
                          onClick={() => change.make(() => api.dropVariant(job.id, b))}
                        >
                          ×
                        </Button>
                      ) : null}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {parts.differences.map((d) => (
                  <tr key={d.designators} className="border-edge/60 border-t align-top">
                    <td className="py-1 pr-2">
                      <button
                        type="button"
                        title={d.designators}
                        className="num text-left underline decoration-dotted underline-offset-2"
                        onClick={() => {
                          selectPart(d.names[0] ?? null);
                          onOpen(d.names[0] ?? '');
                        }}
                      >
                        {short(d)}
                      </button>
                    </td>
                    {d.cells.map((_, i) => (
                      <td key={builds[i] ?? i} className="px-1.5 py-1">
                        <Cell row={d} at={i} />
                      </td>
                    ))}
                  </tr>
                ))}
                <tr className="border-edge/60 text-faint border-t">
                  <td className="py-1" colSpan={builds.length + 1}>
                    {all - differ} parts are the same in all.
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
        </>
      )}
    </>
  );
}

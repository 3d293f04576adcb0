import { useState } from 'react';
import { api, type Job, type PartKind, type Parts } from '../api/client';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import type { PartsChange } from './usePartsChange';

/** Sets a kind, or some of its designators, in several variants in one act. */
export function WhereFitted({
  job,
  parts,
  kind,
  change,
}: {
  job: Job;
  parts: Parts;
  kind: PartKind;
  change: PartsChange;
}) {
  const builds = ['', ...parts.variants];
  const [ticked, setTicked] = useState<readonly string[]>([parts.built]);
  const [some, setSome] = useState<readonly string[]>(kind.names);
  const [value, setValue] = useState('');
  const footprints = parts.parts.find((p) => kind.names.includes(p.designator))?.footprints ?? [];
  const set = (f: { fitted?: boolean; value?: string; footprint?: string }) =>
    change.make(
      () => api.chooseParts(job.id, ticked, Object.fromEntries(some.map((n) => [n, f]))),
      () => setValue(''),
    );
  const toggle = (name: string) =>
    setTicked(ticked.includes(name) ? ticked.filter((t) => t !== name) : [...ticked, name]);
  const nothing = change.busy || ticked.length === 0 || some.length === 0;
  return (
    <section className="mt-3" aria-label="Set in variants">
      <h3 className="font-semibold">Set it</h3>
      {kind.names.length > 1 && kind.names.length <= 60 ? (
        <div className="mb-1 flex flex-wrap gap-x-2.5 text-[13px]">
          {kind.names.map((n) => (
            <label key={n} className="num flex items-center gap-1">
              <input
                type="checkbox"
                checked={some.includes(n)}
                onChange={() =>
                  setSome(some.includes(n) ? some.filter((s) => s !== n) : [...some, n])
                }
              />
              {n}
            </label>
          ))}
        </div>
      ) : null}
      {parts.variants.length > 0 ? (
        <div className="mb-1 flex flex-wrap gap-x-3 text-[13px]">
          in
          {builds.map((b) => (
            <label key={b} className="flex items-center gap-1">
              <input
                type="checkbox"
                data-in={b}
                checked={ticked.includes(b)}
                onChange={() => toggle(b)}
              />
              {b || 'the base'}
            </label>
          ))}
        </div>
      ) : null}
      <div className="flex flex-wrap items-center gap-1.5">
        <Button disabled={nothing} onClick={() => set({ fitted: true })}>
          Fit
        </Button>
        <Button disabled={nothing} onClick={() => set({ fitted: false })}>
          Leave off
        </Button>
        <input
          aria-label="Another value"
          placeholder="another value"
          value={value}
          data-typing={value !== ''}
          onChange={(e) => setValue(e.target.value)}
          onKeyDown={(e) =>
            e.key === 'Enter' && value.trim() !== '' && set({ value: value.trim() })
          }
          className="border-edge bg-card w-28 rounded border px-2 py-0.5"
        />
        {footprints.length > 1 ? (
          <Select
            label="Footprint"
            value={kind.footprint}
            onValueChange={(footprint) => set({ footprint })}
            options={footprints.map((f) => ({ value: f, text: f }))}
          />
        ) : null}
        <Button look="quiet" disabled={nothing} onClick={() => set({})}>
          As listed
        </Button>
      </div>
    </section>
  );
}

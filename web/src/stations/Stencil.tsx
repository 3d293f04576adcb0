import { Reviews } from '../cut/Reviews';
import { useState } from 'react';
import { api, type Job, type Outputs, type StencilPlan, type StencilResult } from '../api/client';
import { usePartsChange } from '../parts/usePartsChange';
import { chosenFor, toTicket, withShaping } from '../stencil/plan';
import { ShapingForm } from '../stencil/ShapingForm';
import { useView } from '../store/view';
import { NumberField } from '../ui/NumberField';
import { Fact, Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { FileList, MakeOutputs } from './outputs';
import { Shown } from '../ui/Shown';

const MOST_LISTED = 40;

/** The stencil's openings on the table as they will be cut, how they are shaped, and the files. */
export function Stencil({
  job,
  outputs,
  stencil,
}: {
  job: Job;
  outputs: Outputs | null;
  stencil: StencilResult | null;
}) {
  const change = usePartsChange(job.id);
  const [of, setOf] = useState('');
  if (!stencil) {
    return <Panel title="Stencil">Laying out the openings …</Panel>;
  }
  if (stencil.sides.length === 0) {
    return (
      <Panel
        title="Stencil"
        lead="The pack has no paste openings and no surface pads, so there is no stencil to cut."
      >
        {null}
      </Panel>
    );
  }
  const { plan } = stencil;
  const set = (next: Partial<StencilPlan>) =>
    change.make(() => api.setStencil(job.id, toTicket(next)));
  const packages = stencil.packages.filter((p) => p.name !== '');
  const count = stencil.sides.reduce((n, s) => n + s.openings, 0);
  const foils = [...new Set([...stencil.foils, stencil.foilMm])].sort((a, b) => a - b);
  return (
    <Panel
      title="Stencil"
      lead={`${count} openings, on the table as they will be cut; a dashed line is what was drawn.`}
    >
      <Reviews job={job} only={['stencil']} />
      {change.error ? (
        <p role="alert" className="text-stop mb-2">
          {change.error}
        </p>
      ) : null}
      <div className="flex items-center justify-between gap-2 pb-1.5">
        <span>Foil</span>
        <Select
          label="Foil"
          value={String(stencil.foilMm)}
          onValueChange={(v) => set({ ...plan, foilMm: Number(v) })}
          options={foils.map((f) => ({ value: String(f), text: `${f} mm` }))}
        />
      </div>
      <Ratios stencil={stencil} />
      <h2 className="mt-4 mb-1 font-semibold">Shape</h2>
      {packages.length > 0 ? (
        <Select
          label="Shape of"
          className="mb-1 w-full"
          value={of === '' ? 'all' : of}
          onValueChange={(v) => setOf(v === 'all' ? '' : v)}
          options={[
            { value: 'all', text: 'all openings' },
            ...packages.map((p) => ({
              value: p.name,
              text: `${p.name}: ${p.openings} openings${plan.packages?.[p.name] ? ', its own' : ''}`,
            })),
          ]}
        />
      ) : null}
      <ShapingForm
        key={of}
        chosen={chosenFor(plan, of)}
        busy={change.busy}
        onChange={(c) => set(withShaping(plan, of, c))}
      />
      {stencil.remarks.map((r) => (
        <p key={r} role="status" className="text-look mt-1.5">
          {r}
        </p>
      ))}
      <h2 className="mt-4 mb-1 font-semibold">Parts left off</h2>
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          checked={plan.leaveOutUnfitted === true}
          disabled={change.busy}
          onChange={(e) => set({ ...plan, leaveOutUnfitted: e.target.checked })}
        />
        <span>
          No openings for the <span className="num">{job.built.leftOff}</span>{' '}
          {job.built.leftOff === 1 ? 'part that is' : 'parts that are'} left off
          {job.built.variant ? ` in ${job.built.variant}` : ''}
        </span>
      </label>
      <h2 className="mt-4 mb-1 font-semibold">Held by</h2>
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          checked={plan.framed === true}
          disabled={change.busy}
          onChange={(e) => set({ ...plan, framed: e.target.checked })}
        />
        a frame, glued in by the house
      </label>
      <div className="flex items-center justify-between gap-2 py-1">
        <span>Four holes beside the board, for pins of</span>
        <span>
          <NumberField
            label="Alignment holes"
            value={plan.alignMm ?? null}
            onCommit={(n) => set({ ...plan, alignMm: n ?? 0 })}
          />{' '}
          mm
        </span>
      </div>
      <h2 className="mt-4 mb-1 font-semibold">Files</h2>
      <MakeOutputs job={job} outputs={outputs} />
      {outputs?.made ? <FileList job={job} outputs={outputs} folder="stencil/" /> : null}
    </Panel>
  );
}

/** Whether paste leaves the openings, the ones that keep it, and what would mend them. */
function Ratios({ stencil }: { stencil: StencilResult }) {
  const lookAt = useView((s) => s.lookAt);
  const failing = stencil.sides.flatMap((s) => s.all.filter((o) => o.fails));
  return (
    <>
      {stencil.sides.map((s) => (
        <Fact key={s.side} name={`${s.side}${s.fromPads ? ', from the pads' : ''}`}>
          {s.openings} openings{s.panes > s.openings ? ` in ${s.panes} panes` : ''},{' '}
          {s.areaMm2.toFixed(1)} mm²
        </Fact>
      ))}
      {stencil.sides.map((s) => (
        <Fact key={s.side} name={`least ratios, ${s.side}`}>
          area {s.leastAreaRatio.toFixed(2)} of 0.66, width {s.leastAspect.toFixed(2)} of 1.5
        </Fact>
      ))}
      {failing.length === 0 ? (
        <p className="text-good mt-1.5">Paste leaves every opening (IPC-7525).</p>
      ) : (
        <>
          {stencil.advice.map((a) => (
            <p key={a} className="text-look mt-1.5">
              {a}
            </p>
          ))}
          <ul aria-label="Openings that keep their paste" className="mt-1.5">
            <Shown items={failing} most={MOST_LISTED} what="openings">
              {(o) => (
                <li className="border-edge/60 border-b">
                  <button
                    type="button"
                    className="hover:bg-paper flex w-full justify-between gap-2 py-0.5 text-left"
                    onClick={() => lookAt({ key: `${o.x} ${o.y}`, x: o.x, y: o.y, span: 4e6 })}
                  >
                    <span>{o.part || 'an opening'}</span>
                    <span className="num">
                      {o.areaRatio.toFixed(2)}, {o.aspect.toFixed(2)}
                    </span>
                  </button>
                </li>
              )}
            </Shown>
          </ul>
        </>
      )}
    </>
  );
}

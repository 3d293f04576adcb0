import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job, type Outputs, type StripResult } from '../api/client';
import { useWork } from '../api/tasks';
import { SEVERITIES } from '../check/FindingCard';
import { usePartsChange } from '../parts/usePartsChange';
import { go } from '../router';
import { OwnForm } from '../strip/OwnForm';
import {
  cleared,
  locked,
  stood,
  toTicket,
  turned,
  unlinked,
  without,
  type Plan,
} from '../strip/plan';
import { useStripState } from '../strip/useStrip';
import { refresh } from '../ticket/refresh';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Fact, Panel } from '../ui/Panel';
import { Working } from '../ui/Working';
import { FileList, MakeOutputs } from './outputs';

/** A circuit on strip board: the computer's plan or one's own, checked as it is changed. */
export function Strips({
  job,
  view,
  plan,
  error,
  refused,
  onChange,
  outputs,
}: {
  job: Job;
  view: StripResult | null;
  plan: Plan | null;
  error: string;
  /** Why the last change was not taken. */
  refused: string;
  onChange: (next: Plan) => void;
  outputs: Outputs | null;
}) {
  if (error) {
    return (
      <Panel title="Strips">
        <p role="alert" className="text-stop">
          {error}
        </p>
        <Button className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a strip board
        </Button>
      </Panel>
    );
  }
  if (!view || !plan) {
    return <Panel title="Strips">Laying out the board …</Panel>;
  }
  const stops = view.findings.filter((f) => f.severity === 'stop').length;
  return (
    <Panel
      title="Strips"
      lead={
        stops > 0
          ? `${stops} stop${stops === 1 ? '' : 's'}: the board would not work as planned.`
          : 'Every net is joined, and nothing else is.'
      }
    >
      {refused ? (
        <p role="alert" className="text-stop mb-2">
          {refused}
        </p>
      ) : null}
      <Fact name="Board">
        {plan.strips} strips × {plan.holes} holes, {(plan.holes * view.pitchMm).toFixed(0)} ×{' '}
        {(plan.strips * view.pitchMm).toFixed(0)} mm
      </Fact>
      <Fact name="Cut from">{view.board}</Fact>
      <Fact name="Cuts">{plan.cuts.length + plan.knifeCuts.length}</Fact>
      <Fact name="Links">
        {plan.links.length}
        {plan.links.length > 0
          ? `, ${view.links.reduce((sum, l) => sum + l.lengthMm, 0).toFixed(0)} mm of wire`
          : ''}
      </Fact>
      <Proposal job={job} view={view} plan={plan} onChange={onChange} />
      <Findings view={view} />
      <Parts job={job} view={view} plan={plan} onChange={onChange} />
      {plan.links.length > 0 ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">Links</h2>
          <ul aria-label="Links">
            {plan.links.map(([a, b], i) => (
              <li
                key={i}
                className="border-edge/60 flex items-center justify-between gap-2 border-b"
              >
                <span className="num">
                  {a[0]}/{a[1]} – {b[0]}/{b[1]}
                </span>
                <span className="text-faint truncate">{view.links[i]?.net ?? ''}</span>
                <Button
                  look="quiet"
                  aria-label={`Remove the link from strip ${a[0]}, hole ${a[1]}`}
                  onClick={() => onChange(unlinked(plan, i))}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <h2 className="mt-4 mb-1 font-semibold">Files</h2>
      <MakeOutputs job={job} outputs={outputs} />
      {outputs?.made ? <FileList job={job} outputs={outputs} folder="strip/" /> : null}
      <p className="text-faint mt-3 text-[13px]">
        Keys on the board: arrows move the frame, Enter takes the part, cuts or begins a link, Shift
        and arrows move the part, R rotates, U stands it up, Delete removes it.
      </p>
    </Panel>
  );
}

function Proposal({
  job,
  view,
  plan,
  onChange,
}: {
  job: Job;
  view: StripResult;
  plan: Plan;
  onChange: (next: Plan) => void;
}) {
  const queries = useQueryClient();
  const work = useWork();
  const change = usePartsChange(job.id);
  const propose = (keep: 'locked' | 'placed') =>
    work.run(
      () => api.proposeStrip(job.id, keep),
      () => refresh(queries, job.id),
    );
  const weigh = (part: Partial<StripResult['weights']>) =>
    change.make(() =>
      api.setStrip(job.id, {
        ...toTicket(view, view.proposed ? null : plan),
        weights: { ...view.weights, ...part },
      }),
    );
  return (
    <>
      <div className="mt-3 flex flex-wrap gap-1.5">
        <Button look="main" disabled={work.state !== null} onClick={() => propose('locked')}>
          Propose a plan
        </Button>
        <Button
          disabled={work.state !== null || plan.parts.length === 0}
          title="Parts stay where they are"
          onClick={() => propose('placed')}
        >
          Only cuts and links
        </Button>
        <Button disabled={work.state !== null} onClick={() => onChange(cleared(view, plan))}>
          Empty board
        </Button>
      </div>
      <Working work={work} />
      {work.state ? (
        <Button className="mt-1" onClick={() => void api.enoughStrip(job.id)}>
          Take the best plan so far
        </Button>
      ) : null}
      {change.error ? (
        <p role="alert" className="text-stop mt-2">
          {change.error}
        </p>
      ) : null}
      <fieldset className="mt-2 flex flex-wrap items-center gap-2 text-[13px]">
        <legend className="text-faint text-[13px]">
          What counts when plans are compared, for each hole, link and cut
        </legend>
        {(
          [
            ['area', 'Hole'],
            ['link', 'Link'],
            ['cut', 'Cut'],
          ] as const
        ).map(([key, label]) => (
          <label key={key} className="flex items-center gap-1">
            {label}
            <NumberField
              label={`Weight of a ${label.toLowerCase()}`}
              value={view.weights[key]}
              onCommit={(n) => n !== null && weigh({ [key]: n })}
            />
          </label>
        ))}
      </fieldset>
    </>
  );
}

function Findings({ view }: { view: StripResult }) {
  const state = useStripState();
  if (view.findings.length === 0) {
    return null;
  }
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">Findings</h2>
      <ul aria-label="Findings of the plan" className="flex flex-col gap-1">
        {view.findings.map((f) => (
          <li key={f.id}>
            <button
              type="button"
              aria-pressed={state.finding === f.id}
              data-rule={f.rule}
              onClick={() =>
                state.set({
                  finding: state.finding === f.id ? null : f.id,
                  part: f.parts[0] ?? state.part,
                })
              }
              className="border-edge bg-card aria-pressed:border-sienna flex w-full gap-2 rounded border px-2 py-1 text-left"
            >
              <span
                className={`h-fit rounded px-1.5 text-[12.5px] font-semibold text-white ${SEVERITIES[f.severity]?.className ?? ''}`}
              >
                {f.severity}
              </span>
              <span>{f.message}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Parts({
  job,
  view,
  plan,
  onChange,
}: {
  job: Job;
  view: StripResult;
  plan: Plan;
  onChange: (next: Plan) => void;
}) {
  const state = useStripState();
  const change = usePartsChange(job.id);
  const [describing, setDescribing] = useState<string | null>(null);
  const described = view.parts.find((p) => p.designator === describing);
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">Parts</h2>
      {change.error ? (
        <p role="alert" className="text-stop mb-1">
          {change.error}
        </p>
      ) : null}
      <ul aria-label="Parts of the circuit">
        {view.parts.map((p) => {
          const held = state.part === p.designator;
          const isPlaced = plan.parts.some((q) => q.designator === p.designator);
          return (
            <li
              key={p.designator}
              data-listed={p.designator}
              className="border-edge/60 border-b py-0.5"
            >
              <div className="flex items-center gap-2">
                <button
                  type="button"
                  aria-pressed={held}
                  onClick={() => state.set({ part: held ? null : p.designator })}
                  className="aria-pressed:text-sienna w-11 text-left font-semibold"
                >
                  {p.designator}
                </button>
                <span className="min-w-0 grow truncate">
                  {p.value} <span className="text-faint">{p.form || p.footprint}</span>
                </span>
                {p.kind === '' ? (
                  <Button onClick={() => setDescribing(p.designator)}>Leads …</Button>
                ) : isPlaced ? (
                  <span className="text-faint text-[13px]">{p.locked ? 'locked' : ''}</span>
                ) : (
                  <Button
                    aria-pressed={state.placing === p.designator}
                    onClick={() => {
                      state.set({ placing: p.designator, tool: 'parts' });
                      document.querySelector<SVGSVGElement>('[aria-label="Strip board"]')?.focus();
                    }}
                  >
                    Place
                  </Button>
                )}
              </div>
              {held && isPlaced ? (
                <div className="flex flex-wrap gap-1 py-1">
                  <Button onClick={() => onChange(turned(plan, p.designator))}>Rotate</Button>
                  {p.canStand ? (
                    <Button onClick={() => onChange(stood(plan, p))}>
                      {p.standing ? 'Lay down' : 'Stand up'}
                    </Button>
                  ) : null}
                  <Button onClick={() => onChange(locked(plan, p.designator))}>
                    {p.locked ? 'Unlock' : 'Lock'}
                  </Button>
                  <Button onClick={() => onChange(without(plan, p.designator))}>
                    Take off the board
                  </Button>
                  <Button onClick={() => setDescribing(p.designator)}>Leads …</Button>
                </div>
              ) : null}
            </li>
          );
        })}
      </ul>
      {described ? (
        <OwnForm
          designator={described.designator}
          pins={described.pins.length}
          onClose={() => setDescribing(null)}
          onDone={(form) => {
            setDescribing(null);
            change.make(() =>
              api.setStrip(
                job.id,
                toTicket(
                  {
                    ...view,
                    plan: {
                      ...view.plan,
                      forms: { ...view.plan.forms, [described.designator]: form },
                    },
                  },
                  view.proposed ? null : without(plan, described.designator),
                ),
              ),
            );
          }}
        />
      ) : null}
    </>
  );
}

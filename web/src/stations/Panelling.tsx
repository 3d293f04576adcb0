import { useState } from 'react';
import {
  api,
  type Finding,
  type Job,
  type Outputs,
  type PanelFit,
  type PanelResult,
} from '../api/client';
import { SEVERITIES } from '../check/FindingCard';
import { fresh, gapOf, planOf, toTicket, type Plan } from '../panel/plan';
import { usePartsChange } from '../parts/usePartsChange';
import { go } from '../router';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Fact, Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { FileList, MakeOutputs } from './outputs';

const JOINS = [
  { value: 'tabs', text: 'tabs with mouse bites' },
  { value: 'score', text: 'V-score' },
  { value: 'none', text: 'nothing: cut out whole' },
];

const RAILS = [
  { value: 'none', text: 'none' },
  { value: 'left-right', text: 'left and right' },
  { value: 'top-bottom', text: 'top and bottom' },
  { value: 'all', text: 'all round' },
];

/** Several boards on one panel: how many, how they lie, what joins them, and what it costs. */
export function Panelling({
  job,
  panel,
  findings,
  outputs,
}: {
  job: Job;
  panel: PanelResult | null;
  findings: readonly Finding[];
  outputs: Outputs | null;
}) {
  const change = usePartsChange(job.id);
  if (!panel) {
    return <Panel title="Panel">Laying out the panel …</Panel>;
  }
  const plan = panel.plan ? planOf(panel.plan) : null;
  const set = (next: Plan | null) =>
    change.make(() => api.setPanel(job.id, next ? toTicket(next) : null));
  const join = panel.joins.length === 0 || panel.joins.includes('tabs') ? 'tabs' : 'score';
  const begin = (f?: PanelFit) =>
    set(
      f
        ? plan
          ? { ...plan, rows: f.rows, columns: f.columns, rotationDeg: f.rotationDeg, places: [] }
          : fresh(f.rows, f.columns, f.rotationDeg, join)
        : fresh(2, 2, 0, join),
    );
  return (
    <Panel
      title="Panel"
      lead={
        plan
          ? 'Drag boards on the table; the numbers follow.'
          : 'The boards are made singly. Several on one panel are cheaper to fit and to handle.'
      }
    >
      {change.error ? (
        <p role="alert" className="text-stop mb-2">
          {change.error}
        </p>
      ) : null}
      {panel.problem ? (
        <p role="alert" className="text-stop mb-2">
          The panel cannot be made: {panel.problem}.
        </p>
      ) : null}
      {plan ? (
        <>
          {panel.problem ? null : (
            <>
              <Fact name="Size">
                {(panel.width / 1e6).toFixed(2)} × {(panel.height / 1e6).toFixed(2)} mm
              </Fact>
              <Fact name="Boards">{panel.boards.length}</Fact>
              <Fact name="Of its area used">{panel.usedPercent.toFixed(1)} %</Fact>
            </>
          )}
          <Form plan={plan} panel={panel} busy={change.busy} onChange={set} />
        </>
      ) : (
        <Button look="main" disabled={change.busy} onClick={() => begin()}>
          Make a panel of 2 × 2
        </Button>
      )}
      <Fits job={job} panel={panel} busy={change.busy} onTake={begin} />
      {plan ? (
        <>
          <Told findings={findings} job={job} />
          <h2 className="mt-4 mb-1 font-semibold">Files</h2>
          <MakeOutputs job={job} outputs={outputs} />
          {outputs?.made ? <FileList job={job} outputs={outputs} folder="panel/" /> : null}
          <Button className="mt-3" disabled={change.busy} onClick={() => set(null)}>
            Back to single boards
          </Button>
        </>
      ) : null}
    </Panel>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-2 py-0.5">
      <span>{name}</span>
      <span className="flex items-center gap-1">{children}</span>
    </div>
  );
}

function Form({
  plan,
  panel,
  busy,
  onChange,
}: {
  plan: Plan;
  panel: PanelResult;
  busy: boolean;
  onChange: (next: Plan) => void;
}) {
  const [other, setOther] = useState('');
  const put = (part: Partial<Plan>) => onChange({ ...plan, ...part });
  const grid = (part: Partial<Plan>) => put({ ...part, places: [] });
  const tab = (part: Partial<Plan['tab']>) => put({ tab: { ...plan.tab, ...part } });
  const joins = JOINS.filter(
    (j) => panel.joins.length === 0 || panel.joins.includes(j.value) || j.value === plan.join,
  );
  return (
    <fieldset disabled={busy} className="mt-2">
      <legend className="sr-only">The panel</legend>
      {plan.places.length > 0 ? (
        <Row name="Boards were moved by hand">
          <Button onClick={() => grid({})}>In rows again</Button>
        </Row>
      ) : (
        <Row name="Rows × columns">
          <NumberField
            label="Rows"
            value={plan.rows}
            onCommit={(n) => grid({ rows: Math.max(1, Math.round(n ?? 1)) })}
          />
          ×
          <NumberField
            label="Columns"
            value={plan.columns}
            onCommit={(n) => grid({ columns: Math.max(1, Math.round(n ?? 1)) })}
          />
        </Row>
      )}
      <Row name="Boards turned by">
        <NumberField
          label="Turn"
          value={plan.rotationDeg}
          onCommit={(n) => grid({ rotationDeg: n ?? 0 })}
        />
        °
      </Row>
      <Row name="Joined by">
        <Select
          label="Join"
          value={plan.join}
          onValueChange={(join) => put({ join, gapMm: null })}
          options={joins}
        />
      </Row>
      <Row name="Gap">
        <NumberField label="Gap" value={gapOf(plan)} onCommit={(gapMm) => put({ gapMm })} />
        mm
      </Row>
      {plan.join === 'tabs' ? (
        <>
          <Row name="Tabs a side, each wide">
            <NumberField
              label="Tabs a side"
              value={plan.tab.perSide}
              onCommit={(n) => tab({ perSide: Math.max(1, Math.round(n ?? 1)) })}
            />
            <NumberField
              label="Tab width"
              value={plan.tab.widthMm}
              onCommit={(n) => tab({ widthMm: n ?? 3 })}
            />
            mm
          </Row>
          <Row name="Bites of, every">
            <NumberField
              label="Bite"
              value={plan.tab.holeMm}
              onCommit={(n) => tab({ holeMm: n ?? 0 })}
            />
            <NumberField
              label="Bite pitch"
              value={plan.tab.pitchMm}
              onCommit={(n) => tab({ pitchMm: n ?? 0.8 })}
            />
            mm
          </Row>
        </>
      ) : null}
      <Row name="Rails">
        <Select
          label="Rails"
          value={plan.rails}
          onValueChange={(rails) =>
            put(rails === 'none' ? { rails, fiducials: 0, toolingMm: 0 } : { rails })
          }
          options={RAILS}
        />
        {plan.rails === 'none' ? null : (
          <>
            <NumberField
              label="Rail width"
              value={plan.railMm}
              onCommit={(n) => put({ railMm: n ?? 5 })}
            />
            mm
          </>
        )}
      </Row>
      {plan.rails === 'none' ? null : (
        <>
          <Row name="Marks for the machine">
            <Select
              label="Marks"
              value={String(plan.fiducials)}
              onValueChange={(n) => put({ fiducials: Number(n) })}
              options={[
                { value: '0', text: 'none' },
                { value: '3', text: 'three' },
                { value: '4', text: 'four' },
              ]}
            />
          </Row>
          <Row name="Tooling holes">
            <NumberField
              label="Tooling holes"
              value={plan.toolingMm}
              onCommit={(n) => put({ toolingMm: n ?? 0 })}
            />
            mm
          </Row>
        </>
      )}
      {plan.places.length > 0
        ? null
        : plan.also.map((a) => (
            <Row key={a.pack} name={`and ${a.pack}`}>
              <NumberField
                label={`How many of ${a.pack}`}
                value={a.count}
                onCommit={(n) =>
                  put({
                    also: plan.also.flatMap((x) =>
                      x.pack !== a.pack ? [x] : n && n >= 1 ? [{ ...x, count: Math.round(n) }] : [],
                    ),
                  })
                }
              />
              ×
            </Row>
          ))}
      {plan.places.length === 0 && panel.neighbours.some((n) => !has(plan, n)) ? (
        <Row name="Also on it">
          <Select
            label="Another board"
            placeholder="another job's board"
            value={other}
            onValueChange={(pack) => {
              setOther('');
              put({ also: [...plan.also, { pack, count: 1 }] });
            }}
            options={panel.neighbours
              .filter((n) => !has(plan, n))
              .map((n) => ({ value: n, text: n }))}
          />
        </Row>
      ) : null}
    </fieldset>
  );
}

function has(plan: Plan, pack: string): boolean {
  return plan.also.some((a) => a.pack === pack);
}

/** Ways to put the batch on the shop's panels, the cheapest first. */
function Fits({
  job,
  panel,
  busy,
  onTake,
}: {
  job: Job;
  panel: PanelResult;
  busy: boolean;
  onTake: (f: PanelFit) => void;
}) {
  if (panel.fits.length === 0) {
    return (
      <p className="text-faint mt-3">
        {job.sheetId
          ? 'The shop states no size of panels, so no best fit can be found.'
          : 'Choose a shop to see what fits its panels.'}
      </p>
    );
  }
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">
        What fits the shop, for <span className="num">{panel.ordered}</span> boards
      </h2>
      <table className="w-full" aria-label="What fits">
        <thead>
          <tr className="text-faint text-[12.5px]">
            <th className="text-left font-normal">boards</th>
            <th className="pl-2 text-right font-normal">panel, mm</th>
            <th className="pl-2 text-right font-normal">used</th>
            <th className="pl-2 text-right font-normal">panels</th>
            <th className="pl-2 text-right font-normal">{panel.currency} each</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {panel.fits.map((f) => (
            <tr
              key={`${f.rows} ${f.columns} ${f.rotationDeg}`}
              className="border-edge/60 num border-b"
            >
              <td className="whitespace-nowrap">
                {f.rows} × {f.columns}
                {f.rotationDeg % 180 === 0 ? '' : ' ⟲'}
              </td>
              <td className="pl-3 text-right whitespace-nowrap">
                {f.widthMm.toFixed(0)} × {f.heightMm.toFixed(0)}
              </td>
              <td className="pl-2 text-right whitespace-nowrap">{f.usedPercent.toFixed(0)} %</td>
              <td className="pl-2 text-right whitespace-nowrap">
                {f.panels}
                {f.spare > 0 ? <span className="text-faint"> +{f.spare}</span> : null}
              </td>
              <td className="pl-2 text-right whitespace-nowrap">{f.each.toFixed(2)}</td>
              <td className="text-right whitespace-nowrap">
                <Button
                  look="quiet"
                  disabled={busy}
                  onClick={() => onTake(f)}
                  title={`Lay the boards out as ${f.rows} × ${f.columns}${f.rotationDeg % 180 === 0 ? '' : ', turned by a quarter'}`}
                >
                  Take
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-faint text-[12.5px]">
        +n: boards beyond those ordered. ⟲: boards turned by a quarter.
      </p>
    </>
  );
}

/** What the checks say of the panel. */
function Told({ job, findings }: { job: Job; findings: readonly Finding[] }) {
  return (
    <>
      <h2 className="mt-4 mb-1 font-semibold">What the checks say</h2>
      {findings.length === 0 ? (
        <p className="text-faint">
          {job.check.ran ? 'Nothing against this panel.' : 'The panel is being checked.'}
        </p>
      ) : (
        <ul aria-label="Findings of the panel">
          {findings.map((f) => (
            <li key={f.id} className="border-edge/60 flex gap-2 border-b py-1">
              <span
                className={`num h-fit rounded px-1.5 font-semibold text-white ${f.signOff ? 'bg-good' : (SEVERITIES[f.severity]?.className ?? '')}`}
              >
                {f.number}
              </span>
              <span>{f.message}</span>
            </li>
          ))}
        </ul>
      )}
      {findings.some((f) => f.severity === 'stop' && !f.signOff) ? (
        <Button className="mt-1.5" onClick={() => go({ job: job.id, station: 'check' })}>
          Sign off at Check
        </Button>
      ) : null}
    </>
  );
}

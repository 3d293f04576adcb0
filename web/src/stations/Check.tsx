import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { Check as CheckResult, Job } from '../api/client';
import type { Work } from '../api/tasks';
import { FindingCard, measure, SEVERITIES } from '../check/FindingCard';
import { Currents } from '../check/Currents';
import { filtered, grouped } from '../check/findings';
import { Reviews } from '../cut/Reviews';
import { SignOff } from '../check/SignOff';
import { go } from '../router';
import { useView, type FindingFilter } from '../store/view';
import { Button, Toggle } from '../ui/Button';
import { Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { Working } from '../ui/Working';

const GROUPS: { value: FindingFilter['group']; text: string }[] = [
  { value: 'severity', text: 'by severity' },
  { value: 'rule', text: 'by check' },
  { value: 'place', text: 'by place' },
];
const ONLY: { value: FindingFilter['only']; text: string }[] = [
  { value: 'all', text: 'all' },
  { value: 'open', text: 'not signed off' },
  { value: 'signed', text: 'signed off' },
  { value: 'new', text: 'new in this revision' },
];
const HEADINGS: Record<string, string> = { stop: 'Stop', look: 'Look', note: 'Note' };

/** The board held against the shop: findings, sign-offs, and what could not be checked. */
export function Check({
  job,
  check,
  work,
}: {
  job: Job;
  check: CheckResult | null;
  work: Work & { again: () => void };
}) {
  const queries = useQueryClient();
  const view = useView();
  const [currents, setCurrents] = useState(false);
  const all = useMemo(() => check?.findings ?? [], [check]);
  const shown = useMemo(() => filtered(all, view.filter), [all, view.filter]);
  const groups = useMemo(() => grouped(shown, view.filter.group), [shown, view.filter.group]);
  const changed = (now: CheckResult) => {
    queries.setQueriesData({ queryKey: ['check', job.id] }, now);
    void queries.invalidateQueries({ queryKey: ['job', job.id] });
  };

  // Stepping through with the keyboard, the list scrolls along.
  useEffect(() => {
    document.getElementById(`finding-${view.finding}`)?.scrollIntoView({ block: 'nearest' });
  }, [view.finding]);

  if (!job.sheetId) {
    return (
      <Panel title="Check">
        <p>There is nothing to hold the board against yet.</p>
        <Button look="main" className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a shop
        </Button>
      </Panel>
    );
  }
  const signing = all.filter((f) => view.signing?.includes(f.id));
  return (
    <Panel
      title="Check"
      lead={
        check?.ran
          ? `${all.length} finding${all.length === 1 ? '' : 's'} from ${check.rules.length} checks`
          : 'The board, the shop or the headroom changed: it is checked anew.'
      }
    >
      <div className="flex flex-wrap items-center gap-1.5">
        <Button onClick={work.again} disabled={work.state !== null}>
          {check?.ran ? 'Check again' : 'Check the board'}
        </Button>
        <Toggle on={currents} onClick={() => setCurrents(!currents)}>
          Currents …
        </Toggle>
        {check?.ran ? (
          <span className="text-faint ml-auto text-[13px]">
            Report:{' '}
            <a
              className="underline"
              href={`/api/jobs/${job.id}/report.html`}
              target="_blank"
              rel="noreferrer"
            >
              page
            </a>{' '}
            <a
              className="underline"
              href={`/api/jobs/${job.id}/report.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              PDF
            </a>{' '}
            <a
              className="underline"
              href={`/api/jobs/${job.id}/report.json`}
              download="report.json"
            >
              JSON
            </a>
          </span>
        ) : null}
      </div>
      <Working work={work} />
      {currents ? <Currents job={job} /> : null}
      <Reviews job={job} only={['findings']} />
      {check?.ran && all.length > 0 ? <Filter found={shown.length} of={all.length} /> : null}
      {groups.map((g) => (
        <section key={g.key} aria-label={HEADINGS[g.title] ?? g.title} className="mt-2">
          <h2 className="text-faint mb-1 flex justify-between text-[13px] font-semibold">
            {HEADINGS[g.title] ?? g.title}
            <span className="num font-normal">{g.findings.length}</span>
          </h2>
          <ol>
            {g.findings.map((f) => (
              <FindingCard key={f.id} job={job} finding={f} all={all} onChanged={changed} />
            ))}
          </ol>
        </section>
      ))}
      {check && check.gone.length > 0 ? <Gone check={check} job={job} /> : null}
      {check?.ran ? <Rules check={check} /> : null}
      {signing.length > 0 ? (
        <SignOff
          job={job}
          findings={signing}
          onClose={() => view.sign(null)}
          onSigned={(now) => {
            view.sign(null);
            changed(now);
          }}
        />
      ) : null}
    </Panel>
  );
}

function Filter({ found, of }: { found: number; of: number }) {
  const { filter, setFilter } = useView();
  return (
    <div className="border-edge mt-3 border-b pb-2">
      <div className="flex gap-1.5">
        <input
          aria-label="Find in the findings"
          placeholder="net, part, check, word"
          value={filter.text}
          onChange={(e) => setFilter({ text: e.target.value })}
          className="border-edge bg-card min-w-0 grow rounded border px-2 py-0.5"
        />
        <Select
          label="Put together"
          value={filter.group}
          onValueChange={(group) => setFilter({ group: group as FindingFilter['group'] })}
          options={GROUPS}
        />
      </div>
      <div className="mt-1.5 flex items-center gap-1">
        {(['all', 'stop', 'look', 'note'] as const).map((s) => (
          <Toggle
            key={s}
            on={filter.severity === s}
            className="px-2 py-0"
            onClick={() => setFilter({ severity: s })}
          >
            {s === 'all' ? 'all' : (SEVERITIES[s]?.word ?? s)}
          </Toggle>
        ))}
        <Select
          label="Which findings"
          className="ml-auto max-w-[150px]"
          value={filter.only}
          onValueChange={(only) => setFilter({ only: only as FindingFilter['only'] })}
          options={ONLY}
        />
      </div>
      {found < of ? (
        <p role="status" className="text-faint mt-1 text-[13px]">
          {found} of {of} shown
        </p>
      ) : null}
    </div>
  );
}

/** What the revision before still had. */
function Gone({ check, job }: { check: CheckResult; job: Job }) {
  const unit = useView((s) => s.unit);
  return (
    <details className="mt-3" open>
      <summary className="font-semibold">
        {check.gone.length} gone since revision {job.revision - 1}
      </summary>
      <ul aria-label="Gone">
        {check.gone.map((f) => (
          <li key={f.id} className="border-edge/60 border-b py-1">
            {f.title} <span className="num text-faint">{measure(f, unit)}</span>
            <span className="text-faint block text-[13px]">
              {[...f.nets, ...f.parts].slice(0, 4).join(', ')}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

function Rules({ check }: { check: CheckResult }) {
  const notRun = check.rules.filter((r) => r.status === 'not-run');
  const passed = check.rules.filter((r) => r.status === 'passed');
  const anew = check.rules.filter((r) => r.computed).length;
  return (
    <>
      {notRun.length > 0 ? (
        <details className="mt-3" open={notRun.length < 6}>
          <summary className="font-semibold">{notRun.length} checks could not run</summary>
          <ul>
            {notRun.map((r) => (
              <li key={r.rule} className="border-edge/60 border-b py-1">
                {r.title}: <span className="text-faint">not run, because {r.reason}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {passed.length > 0 ? (
        <details className="mt-3">
          <summary className="font-semibold">{passed.length} checks passed</summary>
          <ul>
            {passed.map((r) => (
              <li key={r.rule} className="border-edge/60 border-b py-1">
                {r.title} <span className="text-faint">{r.reason}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {anew < check.rules.length ? (
        <p className="text-faint mt-2 text-[13px]">
          {anew} of {check.rules.length} checks were computed anew; for the others nothing changed.
        </p>
      ) : null}
    </>
  );
}

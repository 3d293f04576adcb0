import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, type Check as CheckResult, type Finding, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { useView } from '../store/view';
import { length, type Unit } from '../units';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Panel } from '../ui/Panel';
import { Working } from '../ui/Working';

const SEVERITIES: Record<string, { word: string; className: string }> = {
  stop: { word: 'stop', className: 'bg-stop' },
  look: { word: 'look', className: 'bg-look' },
  note: { word: 'note', className: 'bg-note' },
};

function measure(f: Finding, unit: Unit): string {
  if (f.unit === 'mm') {
    return `${length(f.measured * 1e6, unit)} / ${length(f.limit * 1e6, unit)}`;
  }
  return `${f.measured} / ${f.limit} ${f.unit}`;
}

/** The board held against the shop: findings, sign-offs, and what could not be checked. */
export function Check({ job, check }: { job: Job; check: CheckResult | null }) {
  const queries = useQueryClient();
  const work = useWork();
  const view = useView();
  const [signing, setSigning] = useState<Finding | null>(null);
  const findings = check?.findings ?? [];

  const run = () =>
    work.run(
      () => api.work(job.id, 'check'),
      () => {
        void queries.invalidateQueries({ queryKey: ['check', job.id] });
        void queries.invalidateQueries({ queryKey: ['job', job.id] });
      },
    );
  const takeBack = useMutation({
    mutationFn: (id: string) => api.takeBack(job.id, id),
    onSuccess: (now) => changed(now),
  });
  const changed = (now: CheckResult) => {
    queries.setQueriesData({ queryKey: ['check', job.id] }, now);
    void queries.invalidateQueries({ queryKey: ['job', job.id] });
  };

  // Step through with comma and full stop; the list scrolls along.
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
  const notRun = check?.rules.filter((r) => r.status === 'not-run') ?? [];
  const passed = check?.rules.filter((r) => r.status === 'passed') ?? [];
  return (
    <Panel
      title="Check"
      lead={
        check?.ran
          ? `${findings.length} finding${findings.length === 1 ? '' : 's'} from ${check.rules.length} checks`
          : 'Not checked since the board, the shop or the headroom changed.'
      }
    >
      <Button look={check?.ran ? 'plain' : 'main'} onClick={run} disabled={work.state !== null}>
        {check?.ran ? 'Check again' : 'Check the board'}
      </Button>
      <Working work={work} />
      <ol aria-label="Findings" className="mt-3">
        {findings.map((f) => (
          <li
            key={f.id}
            id={`finding-${f.id}`}
            data-finding={f.id}
            data-rule={f.rule}
            data-chosen={f.id === view.finding}
            className="border-edge data-[chosen=true]:border-sienna bg-card mb-1.5 rounded border data-[chosen=true]:border-2"
          >
            <button
              type="button"
              className="block w-full px-2.5 py-1.5 text-left"
              onClick={() => view.selectFinding(f.id)}
            >
              <span className="flex items-center gap-2">
                <span
                  className={`num rounded px-1.5 font-semibold text-white ${f.signOff ? 'bg-good' : (SEVERITIES[f.severity]?.className ?? '')}`}
                >
                  {f.number}
                </span>
                <span className="font-semibold">{f.title}</span>
                <span className="text-faint ml-auto text-[13px]">
                  {f.signOff ? 'signed off' : SEVERITIES[f.severity]?.word}
                </span>
              </span>
              <span className="num block">{measure(f, view.unit)}</span>
              <span className="text-faint block text-[13px]">
                {[...f.nets, ...f.parts].slice(0, 4).join(', ')}
              </span>
            </button>
            {f.id === view.finding ? (
              <div className="px-2.5 pb-2">
                <p>{f.message}</p>
                {f.signOff ? (
                  <p className="text-good mt-1">
                    Signed off by {f.signOff.by}: “{f.signOff.reason}”
                    <Button
                      look="quiet"
                      className="ml-1 py-0 underline"
                      onClick={() => takeBack.mutate(f.id)}
                    >
                      take back
                    </Button>
                  </p>
                ) : (
                  <Button className="mt-1.5" onClick={() => setSigning(f)}>
                    Sign off …
                  </Button>
                )}
              </div>
            ) : null}
          </li>
        ))}
      </ol>
      {notRun.length > 0 ? (
        <details className="mt-3" open>
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
      {signing ? (
        <SignOff
          job={job}
          finding={signing}
          onClose={() => setSigning(null)}
          onSigned={(now) => {
            setSigning(null);
            changed(now);
          }}
        />
      ) : null}
    </Panel>
  );
}

function SignOff({
  job,
  finding,
  onClose,
  onSigned,
}: {
  job: Job;
  finding: Finding;
  onClose: () => void;
  onSigned: (now: CheckResult) => void;
}) {
  const [by, setBy] = useState(localStorage.getItem('last-cut-name') ?? '');
  const [reason, setReason] = useState('');
  const sign = useMutation({
    mutationFn: () => api.signOff(job.id, finding.id, by, reason),
    onSuccess: (now) => {
      localStorage.setItem('last-cut-name', by);
      onSigned(now);
    },
  });
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Sign off finding ${finding.number}`}
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          sign.mutate();
        }}
      >
        <p className="mb-3">{finding.message}</p>
        <label className="mb-2 block">
          Your name
          <input
            name="by"
            value={by}
            onChange={(e) => setBy(e.target.value)}
            className="border-edge bg-card mt-0.5 w-full rounded border px-2 py-1"
          />
        </label>
        <label className="mb-3 block">
          Why this is all right
          <textarea
            name="reason"
            value={reason}
            rows={2}
            onChange={(e) => setReason(e.target.value)}
            className="border-edge bg-card mt-0.5 w-full rounded border px-2 py-1"
          />
        </label>
        {sign.error ? (
          <p role="alert" className="text-stop mb-2">
            {sign.error.message}
          </p>
        ) : null}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Leave it open</Button>
          <Button look="main" type="submit" disabled={!by.trim() || !reason.trim()}>
            Sign off
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Job, type Outputs } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { Comparison } from '../cut/Comparison';
import { Parcels } from '../cut/Parcels';
import { HandOver } from '../cut/HandOver';
import { usePair, type useComparison } from '../cut/useComparison';
import { Reviews } from '../cut/Reviews';
import { VerifyZip } from '../cut/VerifyZip';
import { Gaps } from '../parts/Gaps';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { Panel } from '../ui/Panel';
import { Working } from '../ui/Working';
import { FileList, MakeOutputs } from './outputs';
import { ChangedSince } from '../cut/ChangedSince';

/** Freezing what is handed over, and what was handed over before. */
export function Cut({
  job,
  outputs,
  comparison,
}: {
  job: Job;
  outputs: Outputs | null;
  comparison: ReturnType<typeof useComparison>;
}) {
  const { pair, compare } = usePair();
  const queries = useQueryClient();
  const work = useWork();
  const cuts = useQuery({ queryKey: ['cuts', job.id], queryFn: () => api.cuts(job.id) });
  const handed = useQuery({ queryKey: ['handed', job.id], queryFn: () => api.handed(job.id) });
  const blocked = !job.sheetId || !job.check.ran || job.check.openStops > 0;
  const why = !job.sheetId
    ? 'No shop is chosen yet.'
    : !job.check.ran
      ? 'The board was not checked yet.'
      : `${job.check.openStops} stop findings are open: mend the board or sign them off.`;
  const make = () =>
    work.run(
      () => api.work(job.id, 'cut'),
      () => {
        void queries.invalidateQueries({ queryKey: ['cuts', job.id] });
        void queries.invalidateQueries({ queryKey: ['job', job.id] });
      },
    );
  const numbers = (cuts.data ?? []).map((c) => ({
    value: String(c.number),
    text: `cut ${c.number}`,
  }));
  const newest = cuts.data?.[0]?.number ?? 1;
  return (
    <Panel title="Cut" lead="One numbered zip with everything for the shop, kept for good.">
      {cuts.data?.[0] ? <ChangedSince cut={cuts.data[0]} job={job} /> : null}
      {blocked ? (
        <div className="border-stop bg-card mb-3 rounded border-l-4 p-3">
          <p>{why}</p>
          <Button
            className="mt-2"
            onClick={() => go({ job: job.id, station: job.sheetId ? 'check' : 'shop' })}
          >
            {job.sheetId ? 'Go to the check' : 'Choose a shop'}
          </Button>
        </div>
      ) : null}
      <Gaps job={job} />
      <Reviews job={job} />
      <Button
        look="main"
        className="w-full"
        disabled={blocked || work.state !== null}
        onClick={make}
      >
        Make the cut
      </Button>
      <Working work={work} />
      {cuts.data && cuts.data.length > 0 ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">Cuts</h2>
          <ul aria-label="Cuts">
            {cuts.data.map((c) => (
              <li key={c.number} className="border-edge/60 border-b py-1.5">
                <div className="flex items-baseline justify-between gap-2">
                  <b className="font-semibold">Cut {c.number}</b>
                  <span className="num">{c.created.replace('T', ' ').replace('Z', ' UTC')}</span>
                </div>
                <div className="text-faint">
                  {c.files} files for {c.sheet}
                  {c.version > 0 ? `, by version ${c.version} of the ticket` : ''}
                </div>
                <div className="num text-faint truncate" title={c.sha256}>
                  SHA-256 {c.sha256.slice(0, 24)}…
                </div>
                <span className="flex gap-3">
                  <a
                    className="underline"
                    href={`/api/jobs/${job.id}/cuts/${c.number}.zip`}
                    download
                  >
                    Download the zip
                  </a>
                  <a
                    className="underline"
                    href={`/api/jobs/${job.id}/cuts/${c.number}/report.html`}
                    target="_blank"
                    rel="noreferrer"
                  >
                    report
                  </a>
                  <a
                    className="underline"
                    href={`/api/jobs/${job.id}/cuts/${c.number}/sheet.json`}
                    target="_blank"
                    rel="noreferrer"
                  >
                    sheet as it was
                  </a>
                  {c.version > 0 ? (
                    <a
                      className="underline"
                      href={`/api/jobs/${job.id}/cuts/${c.number}/ticket.json`}
                      download={`ticket-cut-${c.number}.json`}
                    >
                      ticket
                    </a>
                  ) : null}
                </span>
                <Parcels job={job.id} cut={c.number} />
                <HandOver
                  job={job.id}
                  cut={c.number}
                  handed={(handed.data ?? []).filter((h) => h.cut === c.number)}
                  onSaid={(all) => queries.setQueryData(['handed', job.id], all)}
                />
              </li>
            ))}
          </ul>
          {cuts.data.length > 1 ? (
            <div className="mt-2 flex items-center justify-between gap-2">
              <span>Hold against each other</span>
              <span className="flex items-center gap-1">
                <Select
                  label="Earlier cut"
                  placeholder="cut"
                  value={pair ? String(pair[0]) : ''}
                  onValueChange={(v) => compare([Number(v), pair?.[1] ?? newest])}
                  options={numbers}
                />
                →
                <Select
                  label="Later cut"
                  placeholder="cut"
                  value={pair ? String(pair[1]) : ''}
                  onValueChange={(v) => compare([pair?.[0] ?? newest, Number(v)])}
                  options={numbers}
                />
              </span>
            </div>
          ) : null}
          {comparison.error ? (
            <p role="alert" className="text-stop">
              {comparison.error}
            </p>
          ) : null}
          {comparison.difference ? <Comparison difference={comparison.difference} /> : null}
        </>
      ) : null}
      <VerifyZip />
      <h2 className="mt-4 mb-1 font-semibold">What goes in</h2>
      <MakeOutputs job={job} outputs={outputs} />
      {outputs?.made ? <FileList job={job} outputs={outputs} folder="" /> : null}
      {outputs?.remarks.map((r) => (
        <p key={r} className="text-faint mt-1">
          {r}
        </p>
      ))}
    </Panel>
  );
}

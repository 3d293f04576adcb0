import { api, type Job, type Outputs } from '../api/client';
import { usePartsChange } from '../parts/usePartsChange';
import { Panel } from '../ui/Panel';
import { FileList, MakeOutputs } from './outputs';

/** The stencil's openings on the table, and its files. */
export function Stencil({ job, outputs }: { job: Job; outputs: Outputs | null }) {
  const change = usePartsChange(job.id);
  const off = job.built.leftOff;
  const none = job.board.pasteOpenings === 0;
  return (
    <Panel
      title="Stencil"
      lead={
        none
          ? 'The pack has no paste openings, so there is no stencil to cut.'
          : `${job.board.pasteOpenings} openings, on the table over the dimmed copper.`
      }
    >
      {!none && off > 0 ? (
        <label className="mb-3 flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={job.built.pasteWithout}
            disabled={change.busy}
            onChange={(e) => change.make(() => api.setStencil(job.id, e.target.checked))}
          />
          <span>
            No openings for the <span className="num">{off}</span>{' '}
            {off === 1 ? 'part that is' : 'parts that are'} left off
            {job.built.variant ? ` in ${job.built.variant}` : ''}
          </span>
        </label>
      ) : null}
      {change.error ? (
        <p role="alert" className="text-stop">
          {change.error}
        </p>
      ) : null}
      {none ? null : <MakeOutputs job={job} outputs={outputs} />}
      {outputs?.made && !none ? <FileList job={job} outputs={outputs} folder="stencil/" /> : null}
    </Panel>
  );
}

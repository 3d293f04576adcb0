import type { Job, Outputs } from '../api/client';
import { Panel } from '../ui/Panel';
import { FileList, MakeOutputs } from './outputs';

/** The stencil's openings on the table, and its files. */
export function Stencil({ job, outputs }: { job: Job; outputs: Outputs | null }) {
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
      {none ? null : <MakeOutputs job={job} outputs={outputs} />}
      {outputs?.made && !none ? <FileList job={job} outputs={outputs} folder="stencil/" /> : null}
    </Panel>
  );
}

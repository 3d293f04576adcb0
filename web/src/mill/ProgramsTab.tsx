import type { Job, Outputs } from '../api/client';
import { FileList, MakeOutputs } from '../stations/outputs';
import { useView } from '../store/view';
import { length } from '../units';

/** The operations in the order of use; the chosen one lies on the table. */
export function ProgramsTab({ job, outputs }: { job: Job; outputs: Outputs | null }) {
  const unit = useView((s) => s.unit);
  const chosen = useView((s) => s.operation);
  const select = useView((s) => s.selectOperation);
  const total = outputs?.operations.reduce((sum, o) => sum + o.minutes, 0) ?? 0;
  return (
    <>
      {outputs?.made ? (
        <p className="text-faint mb-2">
          {outputs.operations.length} operations, about {Math.ceil(total)} min of cutting.
        </p>
      ) : null}
      <MakeOutputs job={job} outputs={outputs} />
      <ol aria-label="Operations">
        {outputs?.operations.map((o) => (
          <li key={o.file}>
            <button
              type="button"
              aria-pressed={o.index === chosen}
              onClick={() => select(o.index)}
              className="border-edge bg-card aria-pressed:border-sienna mb-1.5 block w-full rounded border px-3 py-1.5 text-left aria-pressed:border-2"
            >
              <span className="flex justify-between">
                <b className="font-semibold">
                  {o.index + 1}. {o.kind}, {o.side}
                </b>
                <span className="num">{o.minutes.toFixed(1)} min</span>
              </span>
              <span className="text-faint block">{o.tool}</span>
              <span className="num block">
                {length(o.widthMm * 1e6, unit)} wide, {length(o.depthMm * 1e6, unit)} deep
              </span>
            </button>
          </li>
        ))}
      </ol>
      {outputs?.remarks.map((r) => (
        <p key={r} className="border-look/60 mt-2 border-l-2 pl-2">
          {r}
        </p>
      ))}
      {outputs?.made ? (
        <>
          <h2 className="mt-4 mb-1 font-semibold">To take to the bench</h2>
          <FileList job={job} outputs={outputs} folder="milling/" />
        </>
      ) : null}
    </>
  );
}

import type { Job, Parts as PartsResult } from '../api/client';
import { useView } from '../store/view';
import { number } from '../units';
import { Panel } from '../ui/Panel';

/** The bill of materials as it will be handed over, and the placement on the table. */
export function Parts({ job, parts }: { job: Job; parts: PartsResult | null }) {
  const unit = useView((s) => s.unit);
  const chosen = useView((s) => s.part);
  const select = useView((s) => s.selectPart);
  if (!parts) {
    return <Panel title="Parts">Reading …</Panel>;
  }
  return (
    <Panel
      title="Parts"
      lead={`${job.board.parts} parts. On the table: a cross at each centre, an arm where it points, a wedge in the corner of pin 1.`}
    >
      {parts.hasList ? (
        <table className="w-full">
          <thead className="text-faint text-left text-[13px]">
            <tr>
              <th className="font-normal">designators</th>
              <th className="font-normal">value</th>
              <th className="text-right font-normal">qty</th>
            </tr>
          </thead>
          <tbody>
            {parts.lines.map((l) => (
              <tr key={l.designators} className="border-edge/60 border-b align-baseline">
                <td className={`py-0.5 pr-2 ${l.fitted ? '' : 'text-faint line-through'}`}>
                  {l.designators}
                </td>
                <td>
                  {l.value}
                  <span className="text-faint block text-[12.5px]">
                    {l.footprint}
                    {l.fitted ? '' : ', not fitted'}
                  </span>
                </td>
                <td className="num text-right">{l.quantity}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p>The pack has no parts list: bring one in to get a bill of materials.</p>
      )}
      <h2 className="mt-4 mb-1 font-semibold">Placement</h2>
      {parts.hasPlacement ? (
        <table className="w-full">
          <thead className="text-faint text-left text-[13px]">
            <tr>
              <th className="font-normal">part</th>
              <th className="text-right font-normal">x {unit}</th>
              <th className="text-right font-normal">y {unit}</th>
              <th className="text-right font-normal">turn °</th>
              <th className="pl-2 font-normal">side</th>
            </tr>
          </thead>
          <tbody>
            {parts.parts.map((p) => (
              <tr
                key={p.designator}
                aria-selected={p.designator === chosen}
                className="border-edge/60 aria-selected:bg-paper border-b"
              >
                <td>
                  <button
                    type="button"
                    className="underline decoration-dotted underline-offset-2"
                    onClick={() => select(p.designator)}
                  >
                    {p.designator}
                  </button>
                </td>
                <td className="num text-right">{number(p.x, unit)}</td>
                <td className="num text-right">{number(p.y, unit)}</td>
                <td className="num text-right">{p.rotationDeg}</td>
                <td className="pl-2">{p.side}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p>The pack has no placement file.</p>
      )}
    </Panel>
  );
}

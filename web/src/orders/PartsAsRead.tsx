import { api, type DeskLine, type DeskOrderView, type Job } from '../api/client';
import { money } from '../parts/words';
import { usePartsChange } from '../parts/usePartsChange';
import { go } from '../router';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { counted, LINE_STATES, sorted, turned, type Turned } from './list';

/** What the desk made of the parts list and the placement, held against what is meant. */
export function PartsAsRead({ job, order }: { job: Job; order: DeskOrderView }) {
  const parts = order.reading?.parts;
  if (!parts) {
    return null;
  }
  return (
    <>
      <Lines job={job} lines={parts.lines} currency={order.reading?.quote?.currency ?? ''} />
      <Placed job={job} order={order} />
    </>
  );
}

function Lines({
  job,
  lines,
  currency,
}: {
  job: Job;
  lines: readonly DeskLine[];
  currency: string;
}) {
  const { open, well } = sorted(lines);
  return (
    <section aria-label="The parts list as the desk read it">
      <h3 className="mt-3 font-semibold">
        Parts list{' '}
        <span className="text-faint font-normal">
          {lines.length === 0 ? 'none was read' : counted(lines)}
        </span>
      </h3>
      <ul>
        {open.map((l) => (
          <Line key={l.designators.join(' ')} job={job} line={l} currency={currency} />
        ))}
      </ul>
      {well.length > 0 ? (
        <details>
          <summary className="cursor-pointer">{well.length} lines it can fit</summary>
          <ul>
            {well.map((l) => (
              <Line key={l.designators.join(' ')} job={job} line={l} currency={currency} />
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}

function Line({ job, line, currency }: { job: Job; line: DeskLine; currency: string }) {
  const select = useView((s) => s.selectPart);
  const change = usePartsChange(job.id);
  const state = LINE_STATES.find((s) => s.state === line.state);
  const other = line.taken !== '' && line.taken !== line.number;
  const open = state?.look === 'text-stop' || line.state === 'proposed';
  return (
    <li data-line={line.state} className="border-edge/60 border-b py-1">
      <div className="flex items-baseline justify-between gap-2">
        <span className="min-w-0">
          <b className="font-semibold">{line.designators.join(' ')}</b> {line.value}{' '}
          <span className="text-faint">{line.packageName}</span>
        </span>
        <span className={`shrink-0 font-semibold ${state?.look ?? ''}`}>
          {state?.says ?? line.state}
        </span>
      </div>
      <div className="text-faint flex flex-wrap items-baseline justify-between gap-x-3 text-[13px]">
        <span className="num">
          {line.number || 'no number'}
          {other ? ` → ${line.taken}` : ''}
        </span>
        <span className="num">
          {line.needed} needed, {line.stock} in stock
          {line.loading > 0 ? `, loading ${money(line.loading, currency)}` : ''}
        </span>
      </div>
      {line.says ? <p className="text-[13px]">{line.says}</p> : null}
      {line.state === 'proposed' && line.taken !== '' ? (
        <Button
          className="mt-1 mr-1.5"
          disabled={change.busy}
          onClick={() => change.make(() => take(job, line))}
        >
          Take {line.taken}
        </Button>
      ) : null}
      {open ? (
        <Button
          className="mt-1"
          onClick={() => {
            select(line.designators[0] ?? null);
            go({ job: job.id, station: 'parts' });
          }}
        >
          Choose a part for {line.designators[0]} …
        </Button>
      ) : null}
      {change.error ? (
        <p role="alert" className="text-stop">
          {change.error}
        </p>
      ) : null}
    </li>
  );
}

/** The part that the desk proposes becomes the one that is chosen, in what is built. */
function take(job: Job, line: DeskLine) {
  const part = { partNumber: line.taken };
  return api.chooseParts(
    job.id,
    [job.built.variant],
    Object.fromEntries(line.designators.map((d) => [d, part])),
  );
}

/** Where the desk would put each part, as far as it is not where the board has it. */
function Placed({ job, order }: { job: Job; order: DeskOrderView }) {
  const change = usePartsChange(job.id);
  const parts = order.reading?.parts;
  const groups = turned(parts?.placed ?? []);
  const held = (parts?.placed ?? []).filter((p) => p.turnDeg !== null).length;
  const differences = order.differences;
  return (
    <section aria-label="Parts as the desk places them">
      <h3 className="mt-3 font-semibold">
        Placement{' '}
        <span className="text-faint font-normal">
          {parts?.placed.length ?? 0} parts{parts?.zero ? `, pin 1 at the ${parts.zero} at 0°` : ''}
        </span>
      </h3>
      {groups.map((g) => (
        <div
          key={`${g.footprint} ${g.side} ${g.degrees}`}
          data-turned={g.parts.join(' ')}
          className="border-stop bg-card my-1 rounded border-l-4 p-2"
        >
          <p>
            <b className="font-semibold">{g.parts.join(' ')}</b> ({g.footprint}): the desk would put
            pin 1 where the board does not have it. A turn of {g.degrees}° brings them together.
          </p>
          <Button
            className="mt-1"
            disabled={change.busy}
            onClick={() => change.make(() => turn(job, g))}
          >
            Turn {g.parts.length === 1 ? g.parts[0] : `these ${g.parts.length}`} by {g.degrees}°
          </Button>
        </div>
      ))}
      {differences.length > 0 ? (
        <table aria-label="Read otherwise than meant" className="my-1 w-full">
          <thead>
            <tr className="text-faint text-left text-[13px]">
              <th className="font-normal">part</th>
              <th className="font-normal">here</th>
              <th className="font-normal">at the desk</th>
            </tr>
          </thead>
          <tbody>
            {differences.map((d) => (
              <tr key={`${d.designator} ${d.what}`} className="border-edge/60 border-t">
                <td className="font-semibold">{d.designator}</td>
                <td>{d.ours}</td>
                <td className="text-stop">{d.desk}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {groups.length === 0 && differences.length === 0 ? (
        <p className="text-good">✓ Every part is placed by the desk as the cut means it.</p>
      ) : null}
      <p className="text-faint text-[13px]">
        Pin 1 was compared on {held} of them, whose package has it in a corner. Which way round the
        others lie, the desk takes from the silk: look at the picture.
      </p>
      {change.error ? (
        <p role="alert" className="text-stop">
          {change.error}
        </p>
      ) : null}
    </section>
  );
}

/** A turn found at the desk adds to what is chosen: for the footprint if all of it lies so. */
async function turn(job: Job, group: Turned) {
  const placement = await api.placement(job.id);
  const kinds = placement.packages.filter((k) => k.footprint === group.footprint);
  const own = new Map(kinds.flatMap((k) => k.parts.map((p) => [p.designator, p.turn] as const)));
  const plus = (before: number | undefined) => ((before ?? 0) + group.degrees) % 360;
  await api.turns(
    job.id,
    group.all
      ? [{ packageName: group.footprint, degrees: plus(kinds[0]?.turn) }]
      : group.parts.map((designator) => ({ designator, degrees: plus(own.get(designator)) })),
  );
}

import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, type HeightZone, type Job, type RoomAbove } from '../api/client';
import type { PartsChange } from '../parts/usePartsChange';
import { useView } from '../store/view';
import { some } from './some';
import { useTouch } from '../touch/scene';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';

const MM = 1e6;
const USUAL_MM = 10;
const USUAL_DEG = 45;
const FIELD = 'height-zone';
const SIDES = [
  { value: 'top', text: 'over the top' },
  { value: 'bottom', text: 'under the bottom' },
];

type Zone = Omit<HeightZone, 'tooHigh'>;

function where(z: Zone): string {
  if (z.area.length === 0) {
    return 'the whole board';
  }
  const xs = z.area.map((p) => p[0] ?? 0);
  const ys = z.area.map((p) => p[1] ?? 0);
  const size = (all: number[]) => (Math.max(...all) - Math.min(...all)).toFixed(1);
  return `an area of ${size(xs)} × ${size(ys)} mm`;
}

function outlineOf(z: Zone) {
  return z.area.length === 0
    ? null
    : { points: z.area.map((p) => ({ x: (p[0] ?? 0) * MM, y: (p[1] ?? 0) * MM })), closed: true };
}

/** A name that no zone has yet. */
function named(word: string, zones: readonly Zone[]): string {
  let n = 1;
  let name = word;
  while (zones.some((z) => z.name === name)) {
    n += 1;
    name = `${word} ${n}`;
  }
  return name;
}

/** The room above the board: what ends it, and which parts are too high for it. */
export function Heights({ job, change }: { job: Job; change: PartsChange }) {
  const room = useQuery({
    queryKey: ['room-above', job.id, job.version],
    queryFn: () => api.roomAbove(job.id),
    placeholderData: (before) => before,
  });
  const [open, setOpen] = useState(false);
  const zones = room.data?.zones ?? [];
  const high = zones.flatMap((z) => z.tooHigh);
  const said =
    zones.length === 0
      ? 'no limit set'
      : high.length === 0
        ? 'all parts fit'
        : `too high: ${some([...new Set(high)])}`;
  return (
    <details
      data-room
      open={open}
      onToggle={(e) => setOpen(e.currentTarget.open)}
      className="border-edge mb-2 border-b pb-2"
    >
      <summary className="cursor-pointer">
        <b className="font-semibold">Room above the board</b>{' '}
        <span className={high.length > 0 ? 'text-stop font-semibold' : 'text-faint'}>{said}</span>
      </summary>
      {room.error ? (
        <p role="alert" className="text-stop">
          {room.error.message}
        </p>
      ) : room.data ? (
        <Room job={job} room={room.data} change={change} />
      ) : (
        <p className="text-faint">Measuring the parts …</p>
      )}
    </details>
  );
}

function Room({ job, room, change }: { job: Job; room: RoomAbove; change: PartsChange }) {
  const zones = room.zones;
  const answer = useTouch((s) => s.answer);
  const asking = useTouch((s) => s.asking);
  const ask = useTouch((s) => s.ask);
  const show = useTouch((s) => s.show);
  const toggleSolid = useView((s) => s.toggleSolid);
  const solid = useView((s) => s.solid);
  const [drawing, setDrawing] = useState('');
  const keep = (next: readonly Zone[], unshaded: Record<string, number> = room.unshaded) =>
    change.make(() => api.chooseHeights(job.id, next, unshaded));
  const add = (name: string, areas: readonly number[][][]) => {
    const all: Zone[] = [...zones];
    areas.forEach((area) =>
      all.push({ name: named(name, all), side: 'top', atMostMm: USUAL_MM, area }),
    );
    keep(all);
  };
  useEffect(() => {
    if (answer?.field === FIELD) {
      show({ answer: null });
      add('drawn area', [answer.points.map((p) => [p.x / MM, p.y / MM])]);
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only an answer of the table adds one
  }, [answer]);
  useEffect(
    () => () => {
      ask(null);
      show({ outline: null });
    },
    [ask, show],
  );
  const put = (i: number, part: Partial<Zone>) =>
    keep(zones.map((z, k) => (k === i ? { ...z, ...part } : z)));
  return (
    <div className="mt-1">
      <p className="text-faint text-[13px]">
        {room.highest
          .map(
            (h) =>
              `Highest on the ${h.side}: ${h.designator}, ${h.known ? '' : 'taken as '}${h.heightMm.toFixed(2)} mm.`,
          )
          .join(' ')}
      </p>
      <ul aria-label="Height zones" className="mt-1">
        {zones.map((z, i) => (
          <li
            key={z.name}
            className="border-edge/60 border-b py-1.5"
            onPointerEnter={() => show({ outline: outlineOf(z) })}
            onPointerLeave={() => show({ outline: null })}
          >
            <div className="flex flex-wrap items-center gap-1.5">
              <Named
                zone={z}
                taken={zones.map((o) => o.name)}
                onName={(name) => put(i, { name })}
              />
              <Select
                label={`Side of ${z.name}`}
                className="w-36"
                value={z.side}
                onValueChange={(side) => put(i, { side })}
                options={SIDES}
              />
              <span className="whitespace-nowrap">
                at most{' '}
                <NumberField
                  label={`Room under ${z.name}, mm`}
                  value={z.atMostMm}
                  onCommit={(v) => v !== null && put(i, { atMostMm: v })}
                />{' '}
                mm
              </span>
              <Button
                look="quiet"
                aria-label={`Remove ${z.name}`}
                onClick={() => keep(zones.filter((_, k) => k !== i))}
              >
                Remove
              </Button>
            </div>
            <p className="text-[13px]">
              <span className="text-faint">{where(z)}; </span>
              {z.tooHigh.length > 0 ? (
                <span className="text-stop font-semibold">too high: {some(z.tooHigh)}</span>
              ) : (
                <span className="text-good">all parts fit</span>
              )}
            </p>
          </li>
        ))}
      </ul>
      {asking?.field === FIELD ? (
        <p role="status" className="border-sienna bg-card my-2 rounded border-l-4 px-2 py-1">
          {asking.says} <span className="text-faint">Esc leaves it.</span>
        </p>
      ) : null}
      <div className="mt-2 flex flex-wrap gap-1.5">
        <Button disabled={change.busy} onClick={() => add('a board above', [[]])}>
          Over the whole board
        </Button>
        <Button
          onClick={() => {
            if (solid) {
              toggleSolid();
            }
            ask({
              field: FIELD,
              shape: 'area',
              says: 'Click the corners of the area; click the first one again to close it.',
            });
          }}
        >
          Draw an area
        </Button>
        {room.drawings.length > 0 ? (
          <Select
            label="Areas from a drawing"
            placeholder="From a drawing …"
            className="w-44"
            value=""
            onValueChange={(path) => {
              setDrawing('');
              change.make(async () => {
                const d = await api.zoneDrawing(job.id, path);
                setDrawing(
                  d.moved
                    ? 'The drawing lay elsewhere: its lower left corner is put on the board’s.'
                    : '',
                );
                const all: Zone[] = [...zones];
                d.contours.forEach((area) =>
                  all.push({
                    name: named('area of the drawing', all),
                    side: 'top',
                    atMostMm: USUAL_MM,
                    area,
                  }),
                );
                await api.chooseHeights(job.id, all, room.unshaded);
              });
            }}
            options={room.drawings.map((d) => ({ value: d, text: d.split('/').at(-1) ?? d }))}
          />
        ) : null}
        <Button look="quiet" onClick={toggleSolid}>
          {solid ? 'Back to the films' : 'See it solid'}
        </Button>
      </div>
      {drawing ? <p className="text-look mt-1 text-[13px]">{drawing}</p> : null}
      <Unshaded room={room} busy={change.busy} onChange={(unshaded) => keep(zones, unshaded)} />
      {change.error ? (
        <p role="alert" className="text-stop">
          {change.error}
        </p>
      ) : null}
    </div>
  );
}

/** What is there, in one's own words. */
function Named({
  zone,
  taken,
  onName,
}: {
  zone: Zone;
  taken: readonly string[];
  onName: (name: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const commit = () => {
    const name = (text ?? zone.name).trim();
    setText(null);
    if (name !== '' && !taken.includes(name)) {
      onName(name);
    }
  };
  return (
    <input
      aria-label={`Name of ${zone.name}`}
      value={text ?? zone.name}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === 'Enter' && commit()}
      className="border-edge bg-card w-28 rounded border px-1"
    />
  );
}

/** Parts that nothing beside them may shade. */
function Unshaded({
  room,
  busy,
  onChange,
}: {
  room: RoomAbove;
  busy: boolean;
  onChange: (unshaded: Record<string, number>) => void;
}) {
  const chosen = useView((s) => s.part);
  const all = Object.entries(room.unshaded);
  const without = (part: string) => Object.fromEntries(all.filter(([name]) => name !== part));
  return (
    <section aria-label="Parts that stay unshaded" className="mt-3">
      <h3 className="text-[13px] font-semibold">Sensors, antennas and buttons stay unshaded</h3>
      <ul>
        {all.map(([part, deg]) => (
          <li key={part} className="flex items-center gap-1.5 py-0.5">
            <b className="font-semibold">{part}</b> open above
            <NumberField
              label={`Angle of ${part}, degrees`}
              value={deg}
              onCommit={(v) => v !== null && onChange({ ...room.unshaded, [part]: v })}
            />
            °
            <Button
              look="quiet"
              aria-label={`${part} may be shaded`}
              onClick={() => onChange(without(part))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {chosen && room.unshaded[chosen] === undefined ? (
        <Button
          className="mt-1"
          disabled={busy}
          onClick={() => onChange({ ...room.unshaded, [chosen]: USUAL_DEG })}
        >
          Keep {chosen} unshaded
        </Button>
      ) : (
        <p className="text-faint text-[13px]">Choose a part on the table to add it.</p>
      )}
    </section>
  );
}

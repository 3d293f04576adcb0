import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Current, type CurrentPath, type Job, type Pad } from '../api/client';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Fact } from '../ui/Panel';
import { Select } from '../ui/Select';

const FARTHEST = 'farthest';

/** Currents of nets: how wide they want to be, and what the copper makes of them. */
export function Currents({ job }: { job: Job }) {
  const queries = useQueryClient();
  const view = useView();
  const lit = job.nets.find((n) => n.net === view.net)?.name ?? '';
  const [typed, setTyped] = useState<string | null>(null);
  const net = typed ?? lit;
  const [amps, setAmps] = useState('1');
  const [rise, setRise] = useState('10');
  const [from, setFrom] = useState(FARTHEST);
  const [to, setTo] = useState(FARTHEST);
  const [path, setPath] = useState<CurrentPath | null>(null);
  const known = job.nets.some((n) => n.name === net);
  const currents = useQuery({
    queryKey: ['currents', job.id],
    queryFn: () => api.currents(job.id),
  });
  const pads = useQuery({
    queryKey: ['pads', job.id, net],
    queryFn: () => api.pads(job.id, net),
    enabled: known,
  });
  const end = (value: string) => pads.data?.[Number(value)]?.end;
  const given = (): Current => {
    const ends = from !== FARTHEST && to !== FARTHEST ? { from: end(from), to: end(to) } : {};
    const number = (s: string) => Number(s.trim().replace(',', '.'));
    return { net, amps: number(amps), riseC: number(rise), ...ends } as Current;
  };
  const kept = (now: Current[]) => {
    queries.setQueryData(['currents', job.id], now);
    void queries.invalidateQueries({ queryKey: ['job', job.id] });
    void queries.invalidateQueries({ queryKey: ['check', job.id] });
  };
  const solve = useMutation({
    mutationFn: () => api.path(job.id, given()),
    onSuccess: (p) => {
      setPath(p);
      // A finding that is open would keep the table at its own place.
      view.selectFinding(null);
      view.lookAt({
        key: 'found narrowest',
        x: (p.a.x + p.b.x) / 2,
        y: (p.a.y + p.b.y) / 2,
        span: 8e6,
      });
    },
  });
  const others = (name: string) => (currents.data ?? []).filter((c) => c.net !== name);
  const give = useMutation({
    mutationFn: () => api.setCurrents(job.id, [...others(net), given()]),
    onSuccess: kept,
  });
  const take = useMutation({
    mutationFn: (name: string) => api.setCurrents(job.id, others(name)),
    onSuccess: kept,
  });
  const choices = [
    { value: FARTHEST, text: 'the farthest pad' },
    ...(pads.data ?? []).map((p, i) => ({ value: String(i), text: p.name })),
  ];
  const error = solve.error ?? give.error;
  const choose = (name: string) => {
    setTyped(name);
    setFrom(FARTHEST);
    setTo(FARTHEST);
    setPath(null);
    const n = job.nets.find((x) => x.name === name);
    view.lightNet(n ? n.net : null);
  };
  return (
    <section aria-label="Currents" className="border-edge bg-card mt-3 rounded border p-3">
      <p className="text-faint mb-2 text-[13px]">
        Click copper on the table, or name the net. Widths by IPC-2221, resistance at 20 °C from the
        copper itself, pours and vias included.
      </p>
      <div className="grid grid-cols-[1fr_64px_64px] gap-1.5">
        <label className="text-[13px]">
          Net
          <input
            aria-label="Net"
            list="nets-with-names"
            value={net}
            onChange={(e) => choose(e.target.value)}
            className="border-edge bg-card w-full rounded border px-1.5 py-0.5"
          />
          <datalist id="nets-with-names">
            {job.nets.map((n) => (
              <option key={n.net} value={n.name} />
            ))}
          </datalist>
        </label>
        <Amount name="Current, A" value={amps} set={setAmps} />
        <Amount name="Rise, °C" value={rise} set={setRise} />
      </div>
      {known ? (
        <div className="mt-1.5 flex items-center gap-1.5 text-[13px]">
          from
          <Select
            label="From pad"
            className="w-[120px]"
            value={from}
            onValueChange={setFrom}
            options={choices}
          />
          to
          <Select
            label="To pad"
            className="w-[120px]"
            value={to}
            onValueChange={setTo}
            options={choices}
          />
        </div>
      ) : null}
      <div className="mt-2 flex gap-1.5">
        <Button disabled={!known || solve.isPending} onClick={() => solve.mutate()}>
          {solve.isPending ? 'Solving …' : 'Work it out'}
        </Button>
        <Button look="main" disabled={!known || give.isPending} onClick={() => give.mutate()}>
          Check this current
        </Button>
      </div>
      {error ? (
        <p role="alert" className="text-stop mt-2">
          {error.message}
        </p>
      ) : null}
      {path ? <Path path={path} pads={pads.data ?? []} /> : null}
      {currents.data && currents.data.length > 0 ? (
        <ul aria-label="Currents given" className="mt-2">
          {currents.data.map((c) => (
            <li key={c.net} className="border-edge/60 flex items-center gap-2 border-t py-0.5">
              <span className="truncate font-semibold">{c.net}</span>
              <span className="num ml-auto whitespace-nowrap">
                {c.amps} A, {c.riseC} °C
              </span>
              <Button
                look="quiet"
                className="px-1 py-0 underline"
                onClick={() => take.mutate(c.net)}
              >
                take out
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}

function Amount({
  name,
  value,
  set,
}: {
  name: string;
  value: string;
  set: (value: string) => void;
}) {
  return (
    <label className="text-[13px]">
      {name}
      <input
        aria-label={name}
        inputMode="decimal"
        value={value}
        onChange={(e) => set(e.target.value)}
        className="num border-edge bg-card w-full rounded border px-1.5 py-0.5 text-right"
      />
    </label>
  );
}

/** Ohms and volts in a fitting thousandth. */
function small(value: number, unit: string): string {
  return value < 1 ? `${(value * 1e3).toPrecision(3)} m${unit}` : `${value.toPrecision(3)} ${unit}`;
}

function Path({ path, pads }: { path: CurrentPath; pads: readonly Pad[] }) {
  const unit = useView((s) => s.unit);
  const name = ({ layer, xMm, yMm }: CurrentPath['from']) =>
    pads.find((p) => p.end.layer === layer && p.end.xMm === xMm && p.end.yMm === yMm)?.name ??
    layer;
  const enough = path.widthNm >= path.neededNm * 0.999;
  return (
    <div role="status" className="mt-2">
      <Fact name="between">
        {name(path.from)} and {name(path.to)}
      </Fact>
      <Fact name="resistance at 20 °C">{small(path.ohm, 'Ω')}</Fact>
      <Fact name="drop when warm">{small(path.dropV, 'V')}</Fact>
      <Fact name="heat">{small(path.watts, 'W')}</Fact>
      <Fact name={`narrowest, ${path.layer}`}>{length(path.widthNm, unit)}</Fact>
      <Fact name="it wants">{length(path.neededNm, unit)}</Fact>
      <Fact name="outside / inside">
        {length(path.neededOuterNm, unit)} / {length(path.neededInnerNm, unit)}
      </Fact>
      <p className={enough ? 'text-good mt-1' : 'text-stop mt-1'}>
        {enough ? 'Wide enough: ' : 'Too narrow: '} good for {path.goodForA.toPrecision(3)} A.
      </p>
    </div>
  );
}

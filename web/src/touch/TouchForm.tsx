import { useEffect, useState } from 'react';
import type { Job, Touches } from '../api/client';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import {
  BOTH,
  get,
  missing,
  set,
  shownFields,
  without,
  type Field,
  type Offered,
  type TouchValues,
} from './kinds';
import { useTouch, type Shape } from './scene';

const MM = 1e6;

/** Places as they are typed: "10, 20; 30, 20". */
export function typed(points: readonly (readonly number[])[]): string {
  return points.map((p) => p.join(', ')).join('; ');
}

/** What was typed, as places; null when it is none. */
export function places(text: string): number[][] | null {
  const all = text
    .split(';')
    .map((s) => s.trim())
    .filter((s) => s !== '')
    .map((s) => s.split(/[\s,]+/).map(Number));
  return all.length > 0 && all.every((p) => p.length === 2 && p.every(Number.isFinite))
    ? all
    : null;
}

/** What a touch asks for; `busy` while it is being done. */
export function TouchForm({
  job,
  offered,
  start,
  drawings,
  busy,
  does,
  onDone,
  onLeave,
}: {
  job: Job;
  offered: Offered;
  start: TouchValues;
  drawings: Touches['drawings'];
  busy: boolean;
  /** The words of the button that does it. */
  does: string;
  onDone: (values: TouchValues) => void;
  onLeave: () => void;
}) {
  const [values, setValues] = useState<TouchValues>(start);
  const answer = useTouch((s) => s.answer);
  const ask = useTouch((s) => s.ask);
  const show = useTouch((s) => s.show);
  const change = (key: string, value: unknown) => setValues((v) => set(v, key, value));
  useEffect(() => {
    if (answer) {
      show({ answer: null });
      const points = answer.points.map((p) => [p.x / MM, p.y / MM]);
      const field = offered.fields.find((f) => f.key === answer.field);
      // eslint-disable-next-line react-hooks/set-state-in-effect -- the table answers the form
      setValues((v) => {
        if (field?.type === 'net') {
          return { ...without(v, 'net'), at: points[0] };
        }
        return set(v, answer.field, field?.type === 'point' ? points[0] : points);
      });
    }
  }, [answer, offered.fields, show]);
  useEffect(() => () => ask(null), [ask]);
  const open = missing(offered, values);
  return (
    <form
      aria-label={offered.name}
      onSubmit={(e) => {
        e.preventDefault();
        if (open === '' && !busy) {
          onDone({ kind: offered.kind, ...values });
        }
      }}
    >
      {shownFields(offered, values).map((f) => (
        <Row key={f.key} field={f}>
          <Value job={job} field={f} values={values} change={change} drawings={drawings} />
        </Row>
      ))}
      {open ? <p className="text-look mt-1 text-[13px]">Still to say: {open}.</p> : null}
      <div className="mt-2 flex gap-1.5">
        <Button look="main" type="submit" disabled={open !== '' || busy}>
          {busy ? 'Doing it …' : does}
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

function Row({ field, children }: { field: Field; children: React.ReactNode }) {
  const wide = field.type === 'line' || field.type === 'area' || field.type === 'drawing';
  return (
    <div
      className={`border-edge/60 min-h-8 items-center justify-between gap-2 border-b py-1 ${wide ? '' : 'flex'}`}
    >
      <span className="text-faint">{field.name}</span>
      <span className={`flex items-center justify-end gap-1 ${wide ? 'mt-0.5' : ''}`}>
        {children}
      </span>
    </div>
  );
}

interface ValueProps {
  job: Job;
  field: Field;
  values: TouchValues;
  change: (key: string, value: unknown) => void;
  drawings: readonly string[];
}

function Value(props: ValueProps) {
  const { job, field: f, values, change } = props;
  const value = get(values, f.key);
  switch (f.type) {
    case 'mm':
    case 'count':
    case 'degrees':
      return (
        <>
          <NumberField
            label={`${f.name}, ${f.type === 'mm' ? 'mm' : f.type === 'count' ? 'number' : 'degrees'}`}
            className="w-20"
            signed={f.type === 'degrees' || (f.type === 'mm' && f.signed === true)}
            value={typeof value === 'number' ? value : null}
            onCommit={(n) => change(f.key, n ?? undefined)}
          />
          <span className="w-6">{f.type === 'mm' ? 'mm' : f.type === 'degrees' ? '°' : ''}</span>
        </>
      );
    case 'flag':
      return (
        <input
          type="checkbox"
          aria-label={f.name}
          checked={value === true}
          onChange={(e) => change(f.key, e.target.checked)}
        />
      );
    case 'text':
      return (
        <input
          aria-label={f.name}
          value={typeof value === 'string' ? value : ''}
          onChange={(e) => change(f.key, e.target.value)}
          className="border-edge bg-card w-44 rounded border px-2 py-0.5"
        />
      );
    case 'word': {
      const chosen =
        typeof value === 'string' ? value : value !== undefined ? (f.options[0]?.value ?? '') : '';
      return (
        <Select
          label={f.name}
          value={chosen}
          onValueChange={(v) =>
            change(f.key, v === 'spokes' ? { spokes: 4, spoke_mm: 0.3, gap_mm: 0.25 } : v)
          }
          options={f.options}
        />
      );
    }
    case 'layer': {
      const layers = job.layers.filter((l) =>
        f.of === 'copper'
          ? l.role.startsWith('copper')
          : /^(silk|copper|mask)-(top|bottom)$/.test(l.role),
      );
      return (
        <Select
          label={f.name}
          placeholder="choose"
          value={typeof value === 'string' ? value : ''}
          onValueChange={(v) => change(f.key, v)}
          options={[
            ...layers.map((l) => ({ value: l.role, text: l.words })),
            ...(f.of === 'copper' && layers.length > 1
              ? [{ value: BOTH, text: 'both outer sides' }]
              : []),
          ]}
        />
      );
    }
    case 'net':
      return <NetValue {...props} field={f} />;
    case 'point':
      return <Points {...props} shape="point" optional="" />;
    case 'line':
    case 'area':
      return <Points {...props} shape={f.type} optional={f.optional ?? ''} />;
    case 'drawing':
      return <DrawingValue {...props} />;
  }
}

const EVERY = ' every';

function NetValue({ job, field, values, change }: ValueProps & { field: Field & { type: 'net' } }) {
  const asking = useTouch((s) => s.asking);
  const ask = useTouch((s) => s.ask);
  const names = [...new Set(job.nets.flatMap((n) => n.name.split(' + ')))]
    .filter((n) => !/^net \d+$/.test(n))
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  const at = values['at'] as number[] | undefined;
  const listed = [
    ...(field.optional ? [{ value: EVERY, text: field.optional }] : []),
    ...names.map((n) => ({ value: n, text: n })),
  ];
  return (
    <>
      {at ? <span className="num">at {typed([at])}</span> : null}
      {listed.length > 0 ? (
        <Select
          label={field.name}
          placeholder={at ? 'or by name' : 'choose'}
          className="max-w-[120px]"
          value={
            typeof values['net'] === 'string' ? values['net'] : field.optional && !at ? EVERY : ''
          }
          onValueChange={(v) => {
            change('at', undefined);
            change('net', v === EVERY ? undefined : v);
          }}
          options={listed}
        />
      ) : null}
      <Button
        aria-pressed={asking?.field === field.key}
        className="aria-pressed:border-sienna"
        onClick={() =>
          ask(
            asking?.field === field.key
              ? null
              : { field: field.key, shape: 'point', says: 'Click copper of the net.' },
          )
        }
      >
        point
      </Button>
    </>
  );
}

const SAYS: Record<Shape, string> = {
  point: 'Click the place.',
  line: 'Click along the way; Enter ends it.',
  area: 'Click the corners; the first one again, or Enter, closes it.',
};

/** Places, typed or shown on the table. */
function Points({
  field,
  values,
  change,
  shape,
  optional,
}: ValueProps & { shape: Shape; optional: string }) {
  const asking = useTouch((s) => s.asking);
  const ask = useTouch((s) => s.ask);
  const [text, setText] = useState<string | null>(null);
  const value = get(values, field.key);
  const points =
    value === undefined || !Array.isArray(value)
      ? []
      : shape === 'point'
        ? [value as number[]]
        : (value as number[][]);
  const here = asking?.field === field.key;
  const commit = () => {
    if (text === null) {
      return;
    }
    const read = places(text);
    setText(null);
    if (read) {
      change(field.key, shape === 'point' ? read[0] : read);
    } else if (text.trim() === '' && optional) {
      change(field.key, undefined);
    }
  };
  return (
    <>
      <input
        aria-label={`${field.name}, x, y in mm`}
        placeholder={optional || 'x, y'}
        value={text ?? typed(points)}
        onChange={(e) => setText(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            commit();
          }
        }}
        className={`num border-edge bg-card min-w-0 rounded border px-1 ${shape === 'point' ? 'w-32' : 'grow'}`}
      />
      <Button
        aria-label={`Show ${field.name.toLowerCase()} on the table`}
        aria-pressed={here}
        className="aria-pressed:border-sienna shrink-0"
        onClick={() => ask(here ? null : { field: field.key, shape, says: SAYS[shape] })}
      >
        {shape === 'point' ? 'point' : 'draw'}
      </Button>
    </>
  );
}

/** A drawing of the pack, or a file from elsewhere that the ticket then holds. */
function DrawingValue({ field, values, change, drawings }: ValueProps) {
  const path = typeof values[field.key] === 'string' ? (values[field.key] as string) : '';
  const given = typeof values['drawing'] === 'string';
  return (
    <>
      {drawings.length > 0 ? (
        <Select
          label={field.name}
          placeholder="of the pack"
          className="max-w-[150px]"
          value={path}
          onValueChange={(v) => {
            change('drawing', undefined);
            change(field.key, v);
          }}
          options={drawings.map((d) => ({ value: d, text: d.slice(d.lastIndexOf('/') + 1) }))}
        />
      ) : null}
      <label className="bg-card border-edge hover:border-faint cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
        {given ? 'another file …' : 'a file …'}
        <input
          type="file"
          accept=".svg,.dxf"
          aria-label={`${field.name}: an SVG or DXF file`}
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            void file?.text().then((text) => {
              change(field.key, undefined);
              change('drawing', text);
            });
          }}
        />
      </label>
      {given ? <span className="text-good">taken</span> : null}
    </>
  );
}

import { useMemo, useState } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { Circuit } from '../api/client';
import type { Dropped } from '../bringin/dropped';
import { csv, faults, pasted, type Grid } from './circuit';

const ROWS = 6;

function empty(columns: number): Grid {
  return Array.from({ length: ROWS }, () => Array.from({ length: columns }, () => ''));
}

/** A circuit typed or pasted: nets with their pins, and the parts. */
export function NewCircuit({
  of = null,
  onClose,
  onBegin,
}: {
  /** The circuit that is changed; null for a new one. */
  of?: { name: string; circuit: Circuit } | null;
  onClose: () => void;
  onBegin: (files: Dropped[]) => void;
}) {
  const [name, setName] = useState(of?.name ?? '');
  const [nets, setNets] = useState<Grid>([...(of?.circuit.connections ?? []), ...empty(2)]);
  const [parts, setParts] = useState<Grid>([...(of?.circuit.parts ?? []), ...empty(3)]);
  const all = useMemo(() => faults(nets, parts), [nets, parts]);
  const [tried, setTried] = useState(false);
  // That nothing is written yet is no mistake before one wants to go on.
  const wrong = useMemo(
    () => (tried ? all : new Map([...all].filter(([cell]) => cell !== 'nets 0 0'))),
    [all, tried],
  );
  const begin = () => {
    setTried(true);
    if (all.size > 0) {
      return;
    }
    const folder = name.trim() || 'strip-board';
    const file = (path: string, text: string): Dropped => ({
      path: `${folder}/${path}`,
      file: new File([text], path, { type: 'text/csv' }),
    });
    const listed = parts.filter((r) => (r[0] ?? '').trim() !== '');
    onBegin([
      file('connections.csv', csv(['Net', 'Pins'], nets)),
      ...(listed.length > 0
        ? [file('parts.csv', csv(['Designator', 'Value', 'Footprint'], listed))]
        : []),
    ]);
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={of ? `The circuit of ${of.name}` : 'A circuit for strip board'}
      wide
    >
      {of ? null : (
        <label className="mb-3 block">
          Name{' '}
          <input
            aria-label="Name of the circuit"
            value={name}
            onChange={(e) => setName(e.target.value)}
            className="border-edge bg-card rounded border px-2 py-0.5"
          />
        </label>
      )}
      <div className="grid grid-cols-2 gap-5">
        <Table
          title="Connections"
          hint="A net on each row, its pins as R1.1 C2.2 U1.4. A table can be pasted into the first cell."
          columns={['Net', 'Pins']}
          widths={['w-28', 'grow']}
          rows={nets}
          of="nets"
          wrong={wrong}
          onChange={setNets}
        />
        <Table
          title="Parts"
          hint="Footprints such as AXIAL, RADIAL_D5, DIP-8, TO-92, HEADER_1X2."
          columns={['Designator', 'Value', 'Footprint']}
          widths={['w-24', 'w-28', 'grow']}
          rows={parts}
          of="parts"
          wrong={wrong}
          onChange={setParts}
        />
      </div>
      {tried && wrong.size > 0 ? (
        <p role="alert" className="text-stop mt-2">
          {[...wrong.values()][0]}
        </p>
      ) : null}
      <div className="mt-3 flex gap-2">
        <Button look="main" onClick={begin}>
          {of ? 'Bring the changed circuit in' : 'Begin the job'}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  );
}

function Table({
  title,
  hint,
  columns,
  widths,
  rows,
  of,
  wrong,
  onChange,
}: {
  title: string;
  hint: string;
  columns: readonly string[];
  widths: readonly string[];
  rows: Grid;
  of: string;
  wrong: ReadonlyMap<string, string>;
  onChange: (rows: Grid) => void;
}) {
  const put = (r: number, c: number, text: string) => {
    const next = rows.map((row, i) => (i === r ? row.map((x, j) => (j === c ? text : x)) : row));
    // There is always an empty row to go on in.
    onChange(
      r === rows.length - 1 && text !== '' ? [...next, Array.from(columns, () => '')] : next,
    );
  };
  return (
    <section aria-label={title} className="min-w-0">
      <h3 className="font-semibold">{title}</h3>
      <p className="text-faint mb-1 text-[13px]">{hint}</p>
      <div className="flex gap-1 text-[13px] font-semibold">
        {columns.map((c, i) => (
          <span key={c} className={widths[i]}>
            {c}
          </span>
        ))}
      </div>
      <div className="max-h-[46vh] overflow-auto">
        {rows.map((row, r) => (
          <div key={r} className="flex gap-1 py-0.5">
            {columns.map((c, i) => {
              const fault = wrong.get(`${of} ${r} ${i}`);
              return (
                <input
                  key={c}
                  aria-label={`${c}, row ${r + 1}`}
                  aria-invalid={fault !== undefined}
                  title={fault}
                  value={row[i] ?? ''}
                  onChange={(e) => put(r, i, e.target.value)}
                  onPaste={(e) => {
                    const text = e.clipboardData.getData('text');
                    if (/[\n\t]/.test(text)) {
                      e.preventDefault();
                      onChange(pasted(rows, r, i, text, columns));
                    }
                  }}
                  className={`num border-edge bg-card aria-[invalid=true]:bg-stop/10 aria-[invalid=true]:outline-stop min-w-0 rounded border px-1.5 py-0.5 aria-[invalid=true]:outline-1 ${widths[i]}`}
                />
              );
            })}
          </div>
        ))}
      </div>
    </section>
  );
}

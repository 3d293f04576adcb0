import { useState } from 'react';
import type { StripResult } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';

const SHAPES = [
  { value: 'axial', text: 'two leads at the ends of the body' },
  { value: 'radial', text: 'two leads under the body' },
  { value: 'row', text: 'leads in one row' },
  { value: 'two-rows', text: 'leads in two rows' },
];

export type Described = NonNullable<StripResult['plan']['forms']>[string];

/** The leads and the body of a part that the application does not know. */
export function OwnForm({
  designator,
  pins,
  onDone,
  onClose,
}: {
  designator: string;
  pins: number;
  onDone: (form: Described) => void;
  onClose: () => void;
}) {
  const [form, setForm] = useState<Described>({
    shape: pins > 2 ? 'row' : 'radial',
    leads: Math.max(2, pins),
    spacing: 1,
    rowsApart: 3,
    lengthMm: 5,
    widthMm: 5,
    heightMm: 5,
  });
  const put = (part: Partial<Described>) => setForm({ ...form, ...part });
  const rows = form.shape === 'two-rows';
  const two = form.shape === 'axial' || form.shape === 'radial';
  const field = (label: string, unit: string, value: number, to: (n: number) => void) => (
    <label className="flex items-center justify-between gap-2 py-0.5">
      {label}
      <span className="flex items-center gap-1">
        <NumberField label={label} value={value} onCommit={(n) => to(n ?? value)} />
        <span className="text-faint w-12">{unit}</span>
      </span>
    </label>
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Leads of ${designator}`}>
      <Select
        label="Shape"
        className="mb-2 w-full"
        value={form.shape}
        onValueChange={(shape) =>
          put({ shape, ...(shape === 'axial' || shape === 'radial' ? { leads: 2 } : {}) })
        }
        options={SHAPES}
      />
      {two
        ? null
        : field('Number of leads', 'leads', form.leads, (n) => put({ leads: Math.round(n) }))}
      {field('From lead to lead', 'holes', form.spacing ?? 1, (n) =>
        put({ spacing: Math.round(n) }),
      )}
      {rows
        ? field('From row to row', 'holes', form.rowsApart ?? 3, (n) =>
            put({ rowsApart: Math.round(n) }),
          )
        : null}
      {field('Body length', 'mm', form.lengthMm, (lengthMm) => put({ lengthMm }))}
      {field('Body width', 'mm', form.widthMm, (widthMm) => put({ widthMm }))}
      {field('Height', 'mm', form.heightMm, (heightMm) => put({ heightMm }))}
      <div className="mt-3 flex gap-2">
        <Button look="main" onClick={() => onDone(form)}>
          Use these leads
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  );
}

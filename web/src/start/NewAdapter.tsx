import { useState } from 'react';
import { api } from '../api/client';
import type { Dropped } from '../bringin/dropped';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';

/** Bodies and leads of usual packages, nominal, from memory; a data sheet is to be preferred. */
const FIRST = { value: 'SOIC-8', rows: 2, pins: 8, pitch: 1.27, bodyWidth: 3.9, leadSpan: 6.0 };
const USUAL = [
  FIRST,
  { value: 'SOIC-16 wide', rows: 2, pins: 16, pitch: 1.27, bodyWidth: 7.5, leadSpan: 10.3 },
  { value: 'TSSOP-20', rows: 2, pins: 20, pitch: 0.65, bodyWidth: 4.4, leadSpan: 6.4 },
  { value: 'MSOP-10', rows: 2, pins: 10, pitch: 0.5, bodyWidth: 3.0, leadSpan: 4.9 },
  { value: 'QFP-32', rows: 4, pins: 32, pitch: 0.8, bodyWidth: 7.0, leadSpan: 9.0 },
  { value: 'QFP-48', rows: 4, pins: 48, pitch: 0.5, bodyWidth: 7.0, leadSpan: 9.0 },
  { value: 'QFP-64', rows: 4, pins: 64, pitch: 0.5, bodyWidth: 10.0, leadSpan: 12.0 },
];

/** The board that brings a fine-pitch part to header rows. */
export function NewAdapter({
  onClose,
  onBegin,
}: {
  onClose: () => void;
  onBegin: (files: Dropped[]) => void;
}) {
  const [form, setForm] = useState({ ...FIRST, exposedPad: 0, name: '' });
  const [error, setError] = useState('');
  const put = (part: Partial<typeof form>) => setForm({ ...form, ...part });
  const field = (
    label: string,
    unit: string,
    key: 'pins' | 'pitch' | 'bodyWidth' | 'leadSpan' | 'exposedPad',
  ) => (
    <label className="flex items-center justify-between gap-2 py-0.5">
      {label}
      <span className="flex items-center gap-1">
        <NumberField label={label} value={form[key]} onCommit={(n) => put({ [key]: n ?? 0 })} />
        <span className="text-faint w-10">{unit}</span>
      </span>
    </label>
  );
  const begin = () => {
    setError('');
    const name = form.name.trim() || form.value;
    api
      .adapter({
        pins: String(Math.round(form.pins)),
        rows: String(form.rows),
        pitch: String(form.pitch),
        bodyWidth: String(form.bodyWidth),
        leadSpan: String(form.leadSpan),
        exposedPad: String(form.exposedPad),
        name: form.name.trim(),
      })
      .then((zip) => {
        const file = `adapter ${name}.zip`;
        onBegin([{ path: file, file: new File([zip], file) }]);
      })
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Adapter for a part">
      <p className="text-faint mb-2">
        A board that brings the leads of a fine-pitch part to header rows on a 2.54 mm grid. Take
        the numbers from the data sheet.
      </p>
      <Select
        label="Package"
        className="mb-2 w-full"
        value={form.value}
        onValueChange={(v) => {
          const usual = USUAL.find((u) => u.value === v);
          if (usual) {
            put(usual);
          }
        }}
        options={USUAL.map((u) => ({ value: u.value, text: u.value }))}
      />
      {field('Pins', '', 'pins')}
      <div className="flex items-center justify-between gap-2 py-0.5">
        Rows of leads
        <Select
          label="Rows of leads"
          value={String(form.rows)}
          onValueChange={(v) => put({ rows: Number(v) })}
          options={[
            { value: '2', text: 'two' },
            { value: '4', text: 'four' },
          ]}
        />
      </div>
      {field('Pitch', 'mm', 'pitch')}
      {field('Body width', 'mm', 'bodyWidth')}
      {field('Lead span, tip to tip', 'mm', 'leadSpan')}
      {field('Exposed pad, 0 for none', 'mm', 'exposedPad')}
      <label className="flex items-center justify-between gap-2 py-0.5">
        Name on the board
        <input
          aria-label="Name on the board"
          value={form.name}
          onChange={(e) => put({ name: e.target.value })}
          className="border-edge bg-card w-40 rounded border px-2 py-0.5"
        />
      </label>
      {error ? (
        <p role="alert" className="text-stop mt-2">
          {error}
        </p>
      ) : null}
      <div className="mt-3 flex gap-2">
        <Button look="main" onClick={begin}>
          Make the adapter
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  );
}

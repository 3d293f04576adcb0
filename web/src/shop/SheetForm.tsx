import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, type SheetFile, type SheetLimit, type SheetWords } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { MillForm } from './MillForm';
import { sheetsChanged } from './sheetsChanged';

const UNITS = ['mm', 'mil', 'in', 'um'].map((u) => ({ value: u, text: u }));
const FIELD = 'border-edge bg-card rounded border px-2 py-0.5';

/** The whole of a sheet to look at and to change; {@code copy} asks for a new one made of it. */
export function SheetForm({
  id,
  copy,
  onClose,
  onKept,
}: {
  id: string;
  copy: boolean;
  onClose: () => void;
  onKept: (id: string) => void;
}) {
  const file = useQuery({ queryKey: ['sheet-file', id], queryFn: () => api.sheetFile(id) });
  const words = useQuery({
    queryKey: ['sheet-words'],
    queryFn: api.sheetWords,
    staleTime: Infinity,
  });
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={copy ? 'A sheet of your own' : 'Capability sheet'}
      wide
    >
      {file.data && words.data ? (
        <Form
          start={
            copy
              ? { ...file.data, id: `${file.data.id}-own`, name: `${file.data.name}, own` }
              : file.data
          }
          words={words.data}
          replace={!copy}
          onClose={onClose}
          onKept={onKept}
        />
      ) : (
        <p>Reading the sheet …</p>
      )}
    </Dialog>
  );
}

function Form({
  start,
  words,
  replace,
  onClose,
  onKept,
}: {
  start: SheetFile;
  words: SheetWords;
  replace: boolean;
  onClose: () => void;
  onKept: (id: string) => void;
}) {
  const queries = useQueryClient();
  const [sheet, setSheet] = useState(start);
  const set = (part: Partial<SheetFile>) => setSheet((s) => ({ ...s, ...part }));
  const keep = useMutation({
    mutationFn: () => api.keepSheet(sheet, replace),
    onSuccess: (kept) => {
      sheetsChanged(queries);
      onKept(kept.id);
    },
  });
  const price = sheet.price ?? {};
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate();
      }}
    >
      <div className="grid grid-cols-3 gap-3">
        <Labelled text="Name">
          <input
            aria-label="Name"
            value={sheet.name}
            onChange={(e) => set({ name: e.target.value })}
            className={`${FIELD} w-full`}
          />
        </Labelled>
        <Labelled text="Id, in small letters, digits and hyphens">
          <input
            aria-label="Id"
            value={sheet.id}
            disabled={replace}
            onChange={(e) => set({ id: e.target.value })}
            className={`${FIELD} num w-full disabled:opacity-50`}
          />
        </Labelled>
        <Labelled text="Description">
          <input
            aria-label="Description"
            value={sheet.description ?? ''}
            onChange={(e) => set({ description: e.target.value })}
            className={`${FIELD} w-full`}
          />
        </Labelled>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <Labelled text="Most copper layers">
          <NumberField
            label="Most copper layers"
            value={sheet.max_copper_layers ?? 2}
            onCommit={(n) => set({ max_copper_layers: Math.round(n ?? 2) })}
          />
        </Labelled>
        <Labelled text={`Per order, ${price.currency ?? 'EUR'}`}>
          <NumberField
            label="Price per order"
            value={price.setup ?? 0}
            onCommit={(n) => set({ price: { ...price, setup: n ?? 0 } })}
          />
        </Labelled>
        <Labelled text="Per cm²">
          <NumberField
            label="Price per square centimetre"
            value={price.per_square_cm ?? 0}
            onCommit={(n) => set({ price: { ...price, per_square_cm: n ?? 0 } })}
          />
        </Labelled>
        <Labelled text="Days">
          <NumberField
            label="Days"
            value={price.days ?? 0}
            onCommit={(n) => set({ price: { ...price, days: Math.round(n ?? 0) } })}
          />
        </Labelled>
        <label className="flex items-center gap-1.5 pb-0.5">
          <input
            type="checkbox"
            checked={sheet.plates ?? sheet.kind !== 'mill'}
            onChange={(e) => set({ plates: e.target.checked })}
          />
          plates holes
        </label>
      </div>
      {sheet.mill ? <MillForm mill={sheet.mill} onChange={(mill) => set({ mill })} /> : null}
      <h3 className="mt-4 mb-1 font-semibold">Numbers</h3>
      <p className="text-faint mb-1 text-[13px]">
        A check whose number is empty does not run, and says so.
      </p>
      <LimitTable
        words={words}
        limits={sheet.limits}
        name=""
        onChange={(limits) => set({ limits })}
      />
      <Options sheet={sheet} words={words} set={set} />
      <Variations sheet={sheet} words={words} set={set} />
      {keep.error ? (
        <p role="alert" className="text-stop mt-3">
          {keep.error.message}
        </p>
      ) : null}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>Close</Button>
        <Button look="main" type="submit" disabled={keep.isPending}>
          Keep this sheet
        </Button>
      </div>
    </form>
  );
}

function Labelled({ text, children }: { text: string; children: ReactNode }) {
  return (
    <label className="block text-[13px]">
      <span className="text-faint block">{text}</span>
      {children}
    </label>
  );
}

/** Numbers with unit, source and date; an empty one is taken out. */
function LimitTable({
  words,
  limits,
  name,
  only,
  onChange,
}: {
  words: SheetWords;
  limits: Record<string, SheetLimit>;
  name: string;
  only?: readonly string[];
  onChange: (limits: Record<string, SheetLimit>) => void;
}) {
  const today = new Date().toISOString().slice(0, 10);
  const numbers = words.numbers.filter((n) => !only || only.includes(n.id));
  return (
    <table className="w-full text-[14px]">
      <tbody>
        {numbers.map((n) => {
          const l = limits[n.id];
          const put = (part: Partial<SheetLimit>) =>
            onChange({
              ...limits,
              [n.id]: {
                value: 0,
                unit: n.ratio ? 'ratio' : 'mm',
                source: 'own',
                date: today,
                ...l,
                ...part,
              },
            });
          const label = name ? `${n.title}, ${name}` : n.title;
          return (
            <tr key={n.id} data-key={n.id} className="border-edge/60 border-b">
              <td className="py-0.5 pr-2">
                {n.title}
                <span className="text-faint text-[12.5px]">
                  {n.least ? ', at least' : ', at most'}
                </span>
              </td>
              <td className="w-20 py-0.5">
                <NumberField
                  label={label}
                  className="w-20"
                  value={l?.value ?? null}
                  onCommit={(value) =>
                    value === null
                      ? onChange(
                          Object.fromEntries(Object.entries(limits).filter(([k]) => k !== n.id)),
                        )
                      : put({ value })
                  }
                />
              </td>
              <td className="w-20 px-2">
                {n.ratio ? (
                  <span className="text-faint">to 1</span>
                ) : (
                  <Select
                    label={`Unit of ${label}`}
                    className="w-[68px]"
                    value={l?.unit ?? 'mm'}
                    onValueChange={(unit) => l && put({ unit })}
                    options={UNITS}
                  />
                )}
              </td>
              <td>
                <input
                  aria-label={`Source of ${label}`}
                  value={l?.source ?? ''}
                  disabled={!l}
                  placeholder={l ? 'where the shop says so' : ''}
                  onChange={(e) => put({ source: e.target.value, date: today })}
                  className={`${FIELD} w-full py-0 disabled:border-transparent disabled:bg-transparent`}
                />
              </td>
              <td className="num text-faint w-24 pl-2 text-right">{l?.date ?? ''}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

type Part = {
  sheet: SheetFile;
  words: SheetWords;
  set: (part: Partial<SheetFile>) => void;
};

/** What can be ordered: values with commas between, the usual one first. */
function Options({ sheet, words, set }: Part) {
  const options = sheet.options ?? {};
  return (
    <>
      <h3 className="mt-4 mb-1 font-semibold">What can be ordered</h3>
      <p className="text-faint mb-1 text-[13px]">
        Values with commas between, the usual one first; empty when it is not offered.
      </p>
      <div className="grid grid-cols-2 gap-x-4">
        {words.options
          .filter((o) => o.id !== 'layers')
          .map((o) => (
            <label key={o.id} className="flex items-center gap-2 py-0.5">
              <span className="w-44 shrink-0">
                {o.title}
                {o.unit ? `, ${o.unit}` : ''}
              </span>
              <Listed
                label={o.title}
                values={options[o.id] ?? []}
                onCommit={(values) => {
                  const others = Object.entries(options).filter(([k]) => k !== o.id);
                  set({
                    options: Object.fromEntries(
                      values.length > 0 ? [...others, [o.id, values]] : others,
                    ),
                  });
                }}
              />
            </label>
          ))}
      </div>
    </>
  );
}

function Listed({
  label,
  values,
  onCommit,
}: {
  label: string;
  values: readonly string[];
  onCommit: (values: string[]) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    if (typed !== null) {
      onCommit(
        typed
          .split(',')
          .map((v) => v.trim())
          .filter(Boolean),
      );
    }
    setTyped(null);
  };
  return (
    <input
      aria-label={label}
      value={typed ?? values.join(', ')}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      className={`${FIELD} min-w-0 grow`}
    />
  );
}

/** Numbers that hold for one value of an option only. */
function Variations({ sheet, words, set }: Part) {
  const all = sheet.variations ?? [];
  const [option, setOption] = useState('copper-outer');
  const [value, setValue] = useState('');
  const put = (index: number, limits: Record<string, SheetLimit>) =>
    set({ variations: all.map((v, i) => (i === index ? { ...v, limits } : v)) });
  return (
    <>
      <h3 className="mt-4 mb-1 font-semibold">Numbers that depend on the order</h3>
      {all.map((v, i) => {
        const title = words.options.find((o) => o.id === v.option)?.title ?? v.option;
        const missing = words.numbers.filter((n) => !v.limits[n.id]);
        return (
          <div key={`${v.option} ${v.value}`} className="border-edge mb-2 border-l-4 pl-3">
            <div className="flex items-center gap-2">
              <b className="font-semibold">
                {title} {v.value}
              </b>
              <Select
                label={`Add a number for ${title} ${v.value}`}
                placeholder="add a number"
                value=""
                onValueChange={(id) => {
                  const usual = sheet.limits[id] ?? {
                    value: 0,
                    unit: words.numbers.find((n) => n.id === id)?.ratio ? 'ratio' : 'mm',
                  };
                  put(i, { ...v.limits, [id]: usual });
                }}
                options={missing.map((n) => ({ value: n.id, text: n.title }))}
              />
              <Button
                look="quiet"
                className="py-0 underline"
                onClick={() => set({ variations: all.filter((_, k) => k !== i) })}
              >
                take out
              </Button>
            </div>
            <LimitTable
              words={words}
              limits={v.limits}
              name={`${title} ${v.value}`}
              only={Object.keys(v.limits)}
              onChange={(limits) => put(i, limits)}
            />
          </div>
        );
      })}
      <div className="flex items-center gap-2">
        When
        <Select
          label="Option that changes numbers"
          value={option}
          onValueChange={setOption}
          options={words.options.map((o) => ({ value: o.id, text: o.title }))}
        />
        is
        <input
          aria-label="Value that changes numbers"
          value={value}
          onChange={(e) => setValue(e.target.value)}
          className={`${FIELD} w-28`}
        />
        <Button
          disabled={
            !value.trim() || all.some((v) => v.option === option && v.value === value.trim())
          }
          onClick={() => {
            set({ variations: [...all, { option, value: value.trim(), limits: {} }] });
            setValue('');
          }}
        >
          Add
        </Button>
      </div>
    </>
  );
}

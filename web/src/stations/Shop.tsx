import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import {
  api,
  type Headroom,
  type Job,
  type OrderMark,
  type Quote,
  type Sheet,
} from '../api/client';
import { go } from '../router';
import { CompareShops } from '../shop/CompareShops';
import { DrawBy } from '../shop/DrawBy';
import { Numbers } from '../shop/Numbers';
import { OrderOptions } from '../shop/OrderOptions';
import { SheetForm } from '../shop/SheetForm';
import { useOrder } from '../shop/useOrder';
import { sheetsChanged } from '../shop/sheetsChanged';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';

function price(quote: Quote | undefined, boards: number): string {
  return quote
    ? `${boards} ${boards === 1 ? 'board' : 'boards'}: ${quote.total.toFixed(2)} ${quote.currency}, ${quote.days} days`
    : '';
}

/** Who makes it: the sheets to choose from, the order, the numbers, the headroom. */
export function Shop({ job }: { job: Job }) {
  const queries = useQueryClient();
  const unit = useView((s) => s.unit);
  const [comparing, setComparing] = useState(false);
  const [editing, setEditing] = useState<{ id: string; copy: boolean } | null>(null);
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets, staleTime: Infinity });
  const quotes = useQuery({
    queryKey: ['quotes', job.id, job.stamp, job.version],
    queryFn: () => api.quotes(job.id),
    placeholderData: (before) => before,
  });
  const boards = useOrder(job).data?.quantity ?? 0;
  const limits = useQuery({
    queryKey: ['limits', job.id, job.stamp],
    queryFn: () => api.limits(job.id),
    enabled: job.sheetId !== '',
    placeholderData: (before) => before,
  });
  const changed = () => {
    void queries.invalidateQueries({ queryKey: ['job', job.id] });
    void queries.invalidateQueries({ queryKey: ['outputs', job.id] });
  };
  const choose = useMutation({
    mutationFn: (sheet: string) => api.setShop(job.id, sheet),
    onSuccess: (now) => {
      queries.setQueryData(['job', job.id], now);
      changed();
    },
  });
  const margin = useMutation({
    mutationFn: (headroom: Headroom) => api.setHeadroom(job.id, headroom),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const order = useMutation({
    mutationFn: async (o: {
      chosen: Record<string, string>;
      quantity?: number;
      mark?: OrderMark;
    }) => {
      if (o.mark) {
        await api.setMark(job.id, o.chosen, o.mark);
        return api.limits(job.id);
      }
      return api.setOrder(job.id, o.chosen, o.quantity);
    },
    onSuccess: (now) => {
      queries.setQueryData(['limits', job.id, job.stamp], now);
      changed();
    },
  });
  const drop = useMutation({
    mutationFn: (id: string) => api.dropSheet(id),
    onSuccess: () => sheetsChanged(queries),
  });
  const chosen = sheets.data?.find((s) => s.id === job.sheetId);
  const error = choose.error ?? margin.error ?? order.error ?? drop.error;
  return (
    <Panel title="Shop" lead="What the shop can do, and how much more you want.">
      {error ? (
        <p role="alert" className="text-stop mb-2">
          {error.message}
        </p>
      ) : null}
      <div className="mb-2 flex gap-1.5">
        <Button onClick={() => setComparing(true)}>Which shop? …</Button>
        <Import onKept={(id) => choose.mutate(id)} sheets={sheets.data ?? []} />
      </div>
      <div role="radiogroup" aria-label="Shops" className="flex flex-col gap-1.5">
        {sheets.data?.map((s) => (
          <button
            key={s.id}
            type="button"
            role="radio"
            aria-checked={s.id === job.sheetId}
            data-sheet={s.id}
            onClick={() => choose.mutate(s.id)}
            className="border-edge bg-card hover:border-faint aria-checked:border-sienna rounded border px-3 py-1.5 text-left aria-checked:border-2"
          >
            <span className="flex justify-between gap-2">
              <b className="font-semibold">{s.name}</b>
              <span className="text-faint whitespace-nowrap">
                {s.own ? (s.shipped ? 'changed, ' : 'own, ') : ''}
                {s.kind === 'mill'
                  ? 'desktop mill'
                  : s.kind === 'strip'
                    ? 'strip board'
                    : `house, ${s.maxCopperLayers} layers`}
              </span>
            </span>
            <span className="text-faint block text-[13px]">{s.description}</span>
            <span className="num text-faint block">
              {price(quotes.data?.find((q) => q.sheetId === s.id)?.quote, boards)}
            </span>
          </button>
        ))}
      </div>
      {chosen ? (
        <>
          <div className="mt-2 flex flex-wrap gap-1.5">
            <Button onClick={() => setEditing({ id: chosen.id, copy: false })}>
              Change its sheet …
            </Button>
            <Button onClick={() => setEditing({ id: chosen.id, copy: true })}>Copy …</Button>
            <a
              className="border-edge bg-card hover:border-faint rounded border px-2.5 py-1"
              href={`/api/sheets/${chosen.id}.json`}
              download={`${chosen.id}.json`}
            >
              Export
            </a>
            {chosen.own ? (
              <Button onClick={() => drop.mutate(chosen.id)}>
                {chosen.shipped ? 'As shipped' : 'Delete'}
              </Button>
            ) : null}
          </div>
          {limits.data ? (
            <>
              {chosen.options.length > 0 ? (
                <OrderOptions
                  job={job}
                  limits={limits.data}
                  onChange={(of, quantity) =>
                    order.mutate(quantity === undefined ? { chosen: of } : { chosen: of, quantity })
                  }
                  onMark={(of, mark) => order.mutate({ chosen: of, mark })}
                />
              ) : null}
              <Numbers
                key={chosen.id}
                limits={limits.data}
                headroom={job.headroom}
                onChange={margin.mutate}
              />
            </>
          ) : null}
          <DrawBy job={job} sheets={sheets.data ?? []} />
          {chosen.rack.length > 0 ? (
            <>
              <h2 className="mt-3 mb-1 font-semibold">Rack</h2>
              <ul>
                {chosen.rack.map((c) => (
                  <li key={c.id} className="border-edge/60 flex justify-between border-b py-0.5">
                    {c.name}
                    <span className="num">{length(c.cutWidthMm * 1e6, unit)} cut</span>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          <Button
            look="main"
            className="mt-4 w-full"
            onClick={() => go({ job: job.id, station: 'check' })}
          >
            Go on to the check
          </Button>
        </>
      ) : null}
      {comparing ? (
        <CompareShops
          job={job}
          onClose={() => setComparing(false)}
          onChoose={(sheet) => {
            setComparing(false);
            choose.mutate(sheet);
          }}
        />
      ) : null}
      {editing ? (
        <SheetForm
          id={editing.id}
          copy={editing.copy}
          onClose={() => setEditing(null)}
          onKept={(id) => {
            setEditing(null);
            choose.mutate(id);
          }}
        />
      ) : null}
    </Panel>
  );
}

/** A sheet's JSON file brought in; one that is there already is only replaced when asked again. */
function Import({ sheets, onKept }: { sheets: readonly Sheet[]; onKept: (id: string) => void }) {
  const queries = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const keep = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      let sheet: unknown;
      try {
        sheet = JSON.parse(text);
      } catch {
        throw new Error(`${file.name} is no JSON file; export a sheet to see what one looks like.`);
      }
      const id = (sheet as { id?: string } | null)?.id ?? '';
      const there = sheets.some((s) => s.id === id);
      const replace = there && window.confirm(`There is a sheet “${id}” already. Replace it?`);
      return api.keepSheet(sheet, replace);
    },
    onSuccess: (kept) => {
      sheetsChanged(queries);
      onKept(kept.id);
    },
  });
  return (
    <>
      <Button onClick={() => field.current?.click()}>Import a sheet …</Button>
      <input
        ref={field}
        type="file"
        accept=".json,application/json"
        aria-label="Sheet file"
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) {
            keep.mutate(file);
          }
          e.target.value = '';
        }}
      />
      {keep.error ? (
        <p role="alert" className="text-stop">
          {keep.error.message}
        </p>
      ) : null}
    </>
  );
}

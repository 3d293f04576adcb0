import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Headroom, type Job, type Sheet } from '../api/client';
import { go } from '../router';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';

function price(s: Sheet, job: Job): string {
  const cm2 = (job.board.widthMm * job.board.heightMm) / 100;
  const sum = s.setupPrice + s.pricePerSquareCm * cm2;
  return `about ${sum.toFixed(2)} ${s.currency} for one board${s.days > 0 ? `, ${s.days} days` : ''}`;
}

/** Who makes it: the sheets to choose from, the numbers of the chosen one, the headroom. */
export function Shop({ job }: { job: Job }) {
  const queries = useQueryClient();
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets, staleTime: Infinity });
  const choose = useMutation({
    mutationFn: ({ sheet, headroom }: { sheet: string; headroom: Headroom }) =>
      api.setShop(job.id, sheet, headroom),
    onSuccess: (now) => {
      queries.setQueryData(['job', job.id], now);
      void queries.invalidateQueries({ queryKey: ['check', job.id] });
      void queries.invalidateQueries({ queryKey: ['outputs', job.id] });
    },
  });
  const chosen = sheets.data?.find((s) => s.id === job.sheetId);
  const change = (headroom: Headroom) => choose.mutate({ sheet: job.sheetId, headroom });
  return (
    <Panel title="Shop" lead="What the shop can do, and how much more you want.">
      {choose.error ? (
        <p role="alert" className="text-stop mb-2">
          {choose.error.message}
        </p>
      ) : null}
      <div role="radiogroup" aria-label="Shops" className="flex flex-col gap-1.5">
        {sheets.data?.map((s) => (
          <button
            key={s.id}
            type="button"
            role="radio"
            aria-checked={s.id === job.sheetId}
            data-sheet={s.id}
            onClick={() => choose.mutate({ sheet: s.id, headroom: job.headroom })}
            className="border-edge bg-card hover:border-faint aria-checked:border-sienna rounded border px-3 py-1.5 text-left aria-checked:border-2"
          >
            <span className="flex justify-between gap-2">
              <b className="font-semibold">{s.name}</b>
              <span className="text-faint">
                {s.kind === 'mill' ? 'desktop mill' : `board house, ${s.maxCopperLayers} layers`}
              </span>
            </span>
            <span className="text-faint block text-[13px]">{s.description}</span>
            <span className="num text-faint block">{price(s, job)}</span>
          </button>
        ))}
      </div>
      {chosen ? (
        <>
          <SheetNumbers key={chosen.id} sheet={chosen} headroom={job.headroom} onChange={change} />
          <Button
            look="main"
            className="mt-4 w-full"
            onClick={() => go({ job: job.id, station: 'check' })}
          >
            Go on to the check
          </Button>
        </>
      ) : null}
    </Panel>
  );
}

function SheetNumbers({
  sheet,
  headroom,
  onChange,
}: {
  sheet: Sheet;
  headroom: Headroom;
  onChange: (headroom: Headroom) => void;
}) {
  const unit = useView((s) => s.unit);
  const withRoom = (id: string, nm: number, least: boolean) => {
    const own = headroom.mm[id];
    const margin = own === undefined ? (nm * headroom.percent) / 100 : own * 1e6;
    return least ? nm + margin : Math.max(0, nm - margin);
  };
  return (
    <>
      <div className="mt-4 mb-1 flex items-center justify-between">
        <h2 className="font-semibold">Numbers</h2>
        <label className="flex items-center gap-1.5">
          Headroom on all
          <NumberField
            label="Headroom on all numbers, per cent"
            value={headroom.percent}
            onCommit={(percent) => onChange({ ...headroom, percent: percent ?? 0 })}
          />
          %
        </label>
      </div>
      <table className="w-full">
        <thead className="text-faint text-left text-[13px]">
          <tr>
            <th className="font-normal">number</th>
            <th className="text-right font-normal">shop</th>
            <th className="text-right font-normal">own + mm</th>
            <th className="text-right font-normal">checked</th>
          </tr>
        </thead>
        <tbody>
          {sheet.limits.map((l) => (
            <tr key={l.id} className="border-edge/60 border-b align-baseline">
              <td className="py-0.5 pr-1" title={`${l.source}, ${l.date}`}>
                {l.title}
              </td>
              <td className="num text-right whitespace-nowrap">
                {l.value} {l.unit}
              </td>
              <td className="text-right">
                <NumberField
                  label={`Headroom on ${l.title}, mm`}
                  value={headroom.mm[l.id] ?? null}
                  onCommit={(value) => {
                    const mm = Object.fromEntries(
                      Object.entries(headroom.mm).filter(([id]) => id !== l.id),
                    );
                    onChange({ ...headroom, mm: value === null ? mm : { ...mm, [l.id]: value } });
                  }}
                />
              </td>
              <td className="num text-right whitespace-nowrap">
                {length(withRoom(l.id, l.nm, l.least), unit)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-faint mt-1 text-[12.5px]">
        {sheet.limits[0]?.source}, {sheet.limits[0]?.date}
      </p>
      {sheet.rack.length > 0 ? (
        <>
          <h2 className="mt-3 mb-1 font-semibold">Rack</h2>
          <ul>
            {sheet.rack.map((c) => (
              <li key={c.id} className="border-edge/60 flex justify-between border-b py-0.5">
                {c.name}
                <span className="num">{length(c.cutWidthMm * 1e6, unit)} cut</span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </>
  );
}

/** A number that is taken over on Enter or when the field is left; empty is none. */
function NumberField({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: number | null;
  onCommit: (value: number | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value === null ? '' : String(value));
  const commit = () => {
    const trimmed = shown.trim().replace(',', '.');
    const parsed = trimmed === '' ? null : Number(trimmed);
    setText(null);
    const usable = parsed === null || (Number.isFinite(parsed) && parsed >= 0);
    if (usable && parsed !== value) {
      onCommit(parsed);
    }
  };
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={shown}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === 'Enter' && commit()}
      className="num border-edge bg-card w-14 rounded border px-1 text-right"
    />
  );
}

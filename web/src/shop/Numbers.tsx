import { useState } from 'react';
import type { Headroom, Limits } from '../api/client';
import { useView } from '../store/view';
import { length } from '../units';
import { NumberField } from '../ui/NumberField';
import { marginText, withMargin } from './margins';

/** The shop's numbers for this order, the headroom on each, and what is checked. */
export function Numbers({
  limits,
  headroom,
  onChange,
}: {
  limits: Limits;
  headroom: Headroom;
  onChange: (headroom: Headroom) => void;
}) {
  const unit = useView((s) => s.unit);
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
            <th className="text-right font-normal">own + mm or %</th>
            <th className="text-right font-normal">checked</th>
          </tr>
        </thead>
        <tbody>
          {limits.limits.map((l) => (
            <tr key={l.id} data-limit={l.id} className="border-edge/60 border-b align-baseline">
              <td className="py-0.5 pr-1 leading-tight" title={`${l.source}, ${l.date}`}>
                {l.title}
                {l.varied ? <span className="text-look text-[12.5px]"> for this order</span> : null}
              </td>
              <td className="num text-right whitespace-nowrap">
                {l.ratio ? l.value : `${l.value} ${l.unit}`}
              </td>
              <td className="text-right">
                <Margin
                  label={`Headroom on ${l.title}`}
                  text={marginText(headroom, l.id)}
                  onCommit={(text) => {
                    const next = withMargin(headroom, l.id, text);
                    if (next) {
                      onChange(next);
                    }
                  }}
                />
              </td>
              <td className="num text-right whitespace-nowrap">
                {l.ratio ? Number(l.checked.toFixed(3)) : length(l.checked, unit)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-faint mt-1 text-[12.5px]">
        {limits.limits[0]?.source}, {limits.limits[0]?.date}
      </p>
    </>
  );
}

/** "0.05" or "20 %", taken over on Enter or when the field is left. */
function Margin({
  label,
  text,
  onCommit,
}: {
  label: string;
  text: string;
  onCommit: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    if (typed !== null && typed.trim() !== text) {
      onCommit(typed);
    }
    setTyped(null);
  };
  return (
    <input
      aria-label={label}
      value={typed ?? text}
      data-typing={typed !== null}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === 'Enter' && commit()}
      className="num border-edge bg-card w-14 rounded border px-1 text-right"
    />
  );
}

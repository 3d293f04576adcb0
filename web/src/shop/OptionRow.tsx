import type { ReactNode } from 'react';
import type { OrderResult } from '../api/client';
import { Select } from '../ui/Select';
import { effect } from './effect';

export type Option = OrderResult['options'][number];

/** One option: what is chosen, what each other value would do, and limits that go with it. */
export function OptionRow({
  option: o,
  currency,
  disabled = false,
  onChoose,
  children,
}: {
  option: Option;
  currency: string;
  disabled?: boolean;
  onChoose: (value: string) => void;
  children?: ReactNode;
}) {
  const words = (v: string) => (o.unit ? `${v} ${o.unit}` : v);
  const now = o.values.find((v) => v.value === o.chosen);
  return (
    <div className="border-edge/60 border-b py-0.5" data-option={o.id}>
      <div className="flex items-center justify-between gap-2">
        <span className="text-faint">{o.title}</span>
        {o.values.length > 1 ? (
          <Select
            label={o.title}
            className="max-w-[190px]"
            value={o.chosen}
            disabled={disabled}
            onValueChange={onChoose}
            options={o.values.map((v) => ({
              value: v.value,
              text:
                v.value === o.chosen
                  ? words(v.value)
                  : [words(v.value), effect(v, currency), v.excluded.length > 0 ? 'not so' : '']
                      .filter((s) => s !== '')
                      .join(' · '),
            }))}
          />
        ) : (
          <span>{words(o.chosen)}</span>
        )}
      </div>
      {now?.excluded
        .filter((x) => x.includes(words(o.chosen)))
        .map((x) => (
          <p key={x} role="alert" className="text-stop text-[13px]">
            Not made: {x}.
          </p>
        ))}
      {o.values
        .filter((v) => v.value !== o.chosen && v.limits.length > 0)
        .map((v) => (
          <p key={v.value} className="text-faint text-[12.5px]">
            {words(v.value)}: {v.limits.slice(0, 3).join('; ')}
            {v.limits.length > 3 ? '; and more' : ''}
          </p>
        ))}
      {children}
    </div>
  );
}

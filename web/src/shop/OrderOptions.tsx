import type { Limits, Sheet } from '../api/client';
import { Select } from '../ui/Select';

/** What is chosen of the shop's options; what it offers once only is told. */
export function OrderOptions({
  sheet,
  limits,
  onChange,
}: {
  sheet: Sheet;
  limits: Limits;
  onChange: (chosen: Record<string, string>) => void;
}) {
  const chosen = limits.order;
  return (
    <section aria-label="Order">
      <h2 className="mt-4 mb-1 font-semibold">Order</h2>
      {limits.refused.length > 0 ? (
        <p className="text-look mb-1 text-[13px]">
          Not offered here, so the usual is taken: {limits.refused.join(', ')}.
        </p>
      ) : null}
      {sheet.options.map((o) => {
        const words = (v: string) => (o.unit ? `${v} ${o.unit}` : v);
        const value = o.values.includes(chosen[o.id] ?? '') ? (chosen[o.id] ?? '') : o.values[0];
        return (
          <div
            key={o.id}
            className="border-edge/60 flex items-center justify-between gap-2 border-b py-0.5"
          >
            <span className="text-faint">{o.title}</span>
            {o.values.length > 1 ? (
              <Select
                label={o.title}
                className="max-w-[180px]"
                value={value ?? ''}
                onValueChange={(v) => onChange({ ...chosen, [o.id]: v })}
                options={o.values.map((v) => ({ value: v, text: words(v) }))}
              />
            ) : (
              <span>{words(value ?? '')}</span>
            )}
          </div>
        );
      })}
    </section>
  );
}

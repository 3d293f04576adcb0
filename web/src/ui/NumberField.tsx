import { useState } from 'react';

/** A number that is taken over on Enter or when the field is left; empty is none. */
export function NumberField({
  label,
  value,
  onCommit,
  className = 'w-14',
  signed = false,
}: {
  label: string;
  value: number | null;
  onCommit: (value: number | null) => void;
  className?: string;
  /** Whether it may be below nought. */
  signed?: boolean;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value === null ? '' : String(value));
  const commit = () => {
    const trimmed = shown.trim().replace(',', '.');
    const parsed = trimmed === '' ? null : Number(trimmed);
    setText(null);
    const usable = parsed === null || (Number.isFinite(parsed) && (signed || parsed >= 0));
    if (usable && parsed !== value) {
      onCommit(parsed);
    }
  };
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={shown}
      data-typing={text !== null}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === 'Enter' && commit()}
      className={`num border-edge bg-card rounded border px-1 text-right ${className}`}
    />
  );
}

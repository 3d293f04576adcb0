import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  main: 'bg-sienna text-white border-sienna hover:brightness-110 font-semibold',
  plain: 'bg-card border-edge hover:border-faint',
  quiet: 'border-transparent hover:bg-edge/50',
} as const;

export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      className={`rounded border px-2.5 py-1 disabled:cursor-not-allowed disabled:opacity-45 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}

/** A button that stays pressed while what it does is on. */
export function Toggle({ on, ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { on: boolean }) {
  return <Button look={on ? 'plain' : 'quiet'} aria-pressed={on} {...rest} />;
}

import { Slider as Radix } from 'radix-ui';

export function Slider({
  value,
  min,
  max,
  step,
  onValueChange,
  label,
  className = 'w-20',
}: {
  value: number;
  min: number;
  max: number;
  step: number;
  onValueChange: (value: number) => void;
  label: string;
  className?: string;
}) {
  return (
    <Radix.Root
      value={[value]}
      min={min}
      max={max}
      step={step}
      onValueChange={([v]) => onValueChange(v ?? min)}
      className={`relative flex h-5 touch-none items-center select-none ${className}`}
    >
      <Radix.Track className="bg-edge relative h-1 grow rounded">
        <Radix.Range className="bg-faint absolute h-full rounded" />
      </Radix.Track>
      <Radix.Thumb
        aria-label={label}
        className="border-faint bg-card block h-3.5 w-3.5 rounded-full border-2"
      />
    </Radix.Root>
  );
}

import { Select as Radix } from 'radix-ui';

/** A choice of one of a few. */
export function Select({
  value,
  onValueChange,
  options,
  label,
  className = '',
  placeholder = '',
  disabled = false,
}: {
  value: string;
  onValueChange: (value: string) => void;
  options: readonly { value: string; text: string }[];
  label: string;
  className?: string;
  placeholder?: string;
  disabled?: boolean;
}) {
  return (
    <Radix.Root value={value} onValueChange={onValueChange} disabled={disabled}>
      <Radix.Trigger
        aria-label={label}
        className={`bg-card border-edge hover:border-faint flex items-center justify-between gap-1 rounded border px-2 py-0.5 text-left ${className}`}
      >
        <span className="truncate">
          <Radix.Value placeholder={placeholder} />
        </span>
        <Radix.Icon className="text-faint">▾</Radix.Icon>
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={3}
          className="bg-card border-edge z-20 max-h-80 overflow-auto rounded border py-1 shadow-lg"
        >
          <Radix.Viewport>
            {options.map((o) => (
              <Radix.Item
                key={o.value}
                value={o.value}
                className="data-[highlighted]:bg-paper cursor-default px-3 py-0.5 outline-none data-[state=checked]:font-semibold"
              >
                <Radix.ItemText>{o.text}</Radix.ItemText>
              </Radix.Item>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

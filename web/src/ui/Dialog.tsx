import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** A dialog in the middle of the window; closes on Escape and on a click outside. */
export function Dialog({
  open,
  onOpenChange,
  title,
  wide = false,
  children,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  /** For tables: as much of the window as there is. */
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-ink/30" />
        <Radix.Content
          aria-describedby={undefined}
          className={`bg-card border-edge fixed top-1/2 left-1/2 ${wide ? 'w-[1080px]' : 'w-[440px]'} max-h-[94vh] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border p-5 shadow-xl`}
        >
          <Radix.Title className="mb-3 text-lg font-semibold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

import { Dialog as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { Button } from './Button';

/**
 * A dialog in the middle of the window; closes on Escape and on a click outside. Once something was
 * typed into it, it asks before that is thrown away.
 */
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
  const [edited, setEdited] = useState(false);
  const [asking, setAsking] = useState(false);
  const close = () => {
    setEdited(false);
    setAsking(false);
    onOpenChange(false);
  };
  const change = (next: boolean) => {
    if (next) {
      onOpenChange(true);
    } else if (edited && !asking) {
      setAsking(true);
    } else if (!edited) {
      close();
    }
  };
  return (
    <Radix.Root open={open} onOpenChange={change}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-ink/30" />
        <Radix.Content
          aria-describedby={undefined}
          onInput={() => setEdited(true)}
          className={`bg-card border-edge fixed top-1/2 left-1/2 ${wide ? 'w-[1080px]' : 'w-[440px]'} max-h-[94vh] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border p-5 shadow-xl`}
        >
          <Radix.Title className="mb-3 text-lg font-semibold">{title}</Radix.Title>
          {asking ? (
            <div role="alert" className="border-look mb-3 rounded border-l-4 bg-paper p-3">
              <p className="mb-2">What you entered here is not kept yet.</p>
              <Button onClick={() => setAsking(false)}>Go on editing</Button>{' '}
              <Button onClick={close}>Discard it</Button>
            </div>
          ) : null}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

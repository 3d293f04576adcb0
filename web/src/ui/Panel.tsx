import type { ReactNode } from 'react';

/** The right-hand side: a station's own work. */
export function Panel({
  title,
  lead,
  children,
}: {
  title: string;
  lead?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section aria-label={title} className="flex h-full flex-col">
      <header className="border-edge border-b px-4 pt-3 pb-2">
        <h1 className="text-xl font-semibold">{title}</h1>
        {lead ? <div className="text-faint mt-0.5">{lead}</div> : null}
      </header>
      <div className="relative min-h-0 grow overflow-auto px-4 py-3">{children}</div>
    </section>
  );
}

/** A name and a number with its unit, the number to the right. */
export function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="border-edge/60 flex items-baseline justify-between gap-3 border-b py-1">
      <span className="text-faint">{name}</span>
      <span className="num text-right">{children}</span>
    </div>
  );
}

import type { DeskReading } from '../api/client';
import { money } from '../parts/words';
import { Fact } from '../ui/Panel';

const INKS: Record<string, string> = { stop: 'text-stop', look: 'text-look', note: 'text-faint' };
const ORDER = ['stop', 'look', 'note'];

/** What the desk asks for it. */
export function Quoted({ reading }: { reading: DeskReading }) {
  const quote = reading.quote;
  if (!quote && reading.asks.length > 0) {
    return null;
  }
  return (
    <>
      {quote ? (
        <section aria-label="Price">
          <h3 className="mt-3 font-semibold">Price</h3>
          {quote.lines.map((l, i) => (
            <Fact key={i} name={l.text}>
              <span className="whitespace-nowrap">{money(l.amount, quote.currency)}</span>
            </Fact>
          ))}
          <div className="flex items-baseline justify-between py-1 font-semibold">
            <span>Together, in {quote.days} days</span>
            <span className="num" data-total>
              {money(quote.total, quote.currency)}
            </span>
          </div>
        </section>
      ) : (
        <p className="text-stop">
          It has no price: the desk found no closed outline, so nobody knows how large it is.
        </p>
      )}
    </>
  );
}

/** How many of each weight: "4 stop, 10 look, 3 note". */
function counted(reading: DeskReading): string {
  return ORDER.map((s) => [reading.findings.filter((f) => f.severity === s).length, s] as const)
    .filter(([n]) => n > 0)
    .map(([n, s]) => `${n} ${s}`)
    .join(', ');
}

/** What the desk understood, found, and took each file for. */
export function AsRead({ reading }: { reading: DeskReading }) {
  const found = [...reading.findings].sort(
    (a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity),
  );
  return (
    <>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">Ordered, as it understood</summary>
        <ul className="mt-1">
          {reading.ordered.map((o) => (
            <li key={o}>{o}</li>
          ))}
        </ul>
      </details>
      <details className="mt-1">
        <summary className="cursor-pointer font-semibold">
          What it found{' '}
          <span className="text-faint font-normal">
            {found.length === 0 ? 'nothing' : counted(reading)}
          </span>
        </summary>
        <ul aria-label="What the desk found" className="mt-1">
          {found.map((f, i) => (
            <li key={i} className="border-edge/60 border-b py-0.5">
              <b className={`font-semibold ${INKS[f.severity] ?? ''}`}>{f.severity}</b> {f.message}
            </li>
          ))}
        </ul>
      </details>
      <details className="mt-1">
        <summary className="cursor-pointer font-semibold">
          What it took each file for{' '}
          <span className="text-faint font-normal">{reading.files.length} files</span>
        </summary>
        <ul aria-label="What the desk took each file for" className="mt-1 text-[13px]">
          {reading.files.map((f) => (
            <li
              key={f.path}
              title={f.because}
              className="border-edge/60 flex justify-between gap-3 border-b py-0.5"
            >
              <span className="num min-w-0 break-all">{f.path}</span>
              <span className="text-faint shrink-0 text-right">{f.takenFor}</span>
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}

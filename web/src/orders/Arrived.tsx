import type { DeskOrderView } from '../api/client';

/** The parcels that the desk has, with what it took each for. */
export function Arrived({ order }: { order: DeskOrderView }) {
  const parcels = order.reading?.parcels ?? [];
  if (parcels.length === 0) {
    return null;
  }
  return (
    <ul aria-label="Parcels at the desk" className="mt-1">
      {parcels.map((p) => (
        <li
          key={p.name}
          data-parcel={p.name}
          className="border-edge/60 flex items-baseline justify-between gap-3 border-b py-0.5"
        >
          <span className="num shrink-0">{p.name}</span>
          <span className="text-faint min-w-0 flex-1 text-right text-[13px]">
            {p.says}
            {p.cut > 0 && p.cut !== order.cut ? `; unchanged since cut ${p.cut}` : ''}
          </span>
          <span className="num text-faint shrink-0 text-[13px]">
            {(p.bytes / 1024).toFixed(1)} kB
          </span>
        </li>
      ))}
    </ul>
  );
}

/** What the desk must know, or must be sent, before it takes an order. */
export function DeskAsks({ order }: { order: DeskOrderView }) {
  const asks = order.reading?.asks ?? [];
  if (asks.length === 0) {
    return null;
  }
  return (
    <section
      aria-label="What the desk asks for"
      className="border-look bg-card my-2 rounded border-l-4 p-3"
    >
      <p className="font-semibold">It cannot be ordered yet. The desk asks:</p>
      <ul className="list-disc pl-5">
        {asks.map((a) => (
          <li key={`${a.about} ${a.says}`} data-asks={a.about}>
            {a.about.includes('.') ? <span className="num">{a.about}: </span> : null}
            {a.says}
          </li>
        ))}
      </ul>
      {order.cut === 0 ? (
        <p className="text-faint mt-1">
          Answer it at Bring in, make a cut and send that: in a cut nothing is left to guess.
        </p>
      ) : null}
    </section>
  );
}

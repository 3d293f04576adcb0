import type { Under } from '../api/client';

/** What lies under the pointer, film by film. */
export function UnderPointer({ under }: { under: readonly Under[] }) {
  if (under.length === 0) {
    return null;
  }
  return (
    <dl
      aria-label="Under the pointer"
      className="bg-card/95 border-edge pointer-events-none absolute bottom-3 left-3 max-w-[78%] rounded border px-3 py-1.5 shadow-sm"
    >
      {under.slice(0, 5).map((u) => (
        <div key={u.role} className="flex gap-2">
          <dt className="text-faint w-28 shrink-0">{u.words}</dt>
          <dd>
            <span className="num">{u.shape}</span>
            {u.netName ? <b className="ml-2 font-semibold">{u.netName}</b> : null}
            {u.part ? <span className="ml-2">{`pin ${u.part}.${u.pin}`}</span> : null}
          </dd>
        </div>
      ))}
    </dl>
  );
}

import { useState } from 'react';
import type { Finding, Mending } from '../api/client';
import { SEVERITIES } from '../check/FindingCard';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { TouchValues } from './kinds';

/** What can be mended here, each with what it is for, and what cannot, with why. */
export function MendAll({
  mending,
  findings,
  busy,
  onDo,
  onClose,
}: {
  mending: Mending;
  findings: readonly Finding[];
  busy: boolean;
  onDo: (touches: TouchValues[]) => void;
  onClose: () => void;
}) {
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const byId = new Map(findings.map((f) => [f.id, f]));
  const chosen = mending.offers.filter((_, i) => !left.has(i));
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Mend all that can be mended">
      <ul aria-label="What would be done">
        {mending.offers.map((o, i) => (
          <li key={o.words} className="border-edge/60 border-b py-1.5">
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1"
                checked={!left.has(i)}
                onChange={(e) => {
                  const next = new Set(left);
                  if (e.target.checked) {
                    next.delete(i);
                  } else {
                    next.add(i);
                  }
                  setLeft(next);
                }}
              />
              <span>
                <span className="block font-semibold">{o.words}</span>
                <Names ids={o.findings} byId={byId} />
              </span>
            </label>
          </li>
        ))}
      </ul>
      {mending.rest.length > 0 ? (
        <details className="mt-3">
          <summary className="cursor-pointer font-semibold">
            {mending.rest.length} that no touch mends
          </summary>
          <ul aria-label="What stays">
            {mending.rest.map((r) => (
              <li key={r.finding} className="border-edge/60 border-b py-1">
                <Names ids={[r.finding]} byId={byId} />
                <span className="text-faint block text-[13px]">{r.why}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      <div className="mt-4 flex gap-2">
        <Button
          look="main"
          disabled={chosen.length === 0 || busy}
          onClick={() => onDo(chosen.map((o) => o.touch))}
        >
          {busy
            ? 'Doing it …'
            : `Do ${chosen.length === 1 ? 'this one' : `these ${chosen.length}`}`}
        </Button>
        <Button look="quiet" onClick={onClose}>
          Not now
        </Button>
      </div>
    </Dialog>
  );
}

function Names({ ids, byId }: { ids: readonly string[]; byId: ReadonlyMap<string, Finding> }) {
  return (
    <span className="block text-[13px]">
      {ids.map((id) => {
        const f = byId.get(id);
        return f ? (
          <span key={id} className="mr-3 inline-block">
            <span
              className={`num mr-1 rounded px-1 font-semibold text-white ${SEVERITIES[f.severity]?.className ?? ''}`}
            >
              {f.number}
            </span>
            {f.title.toLowerCase()}
          </span>
        ) : null;
      })}
    </span>
  );
}

import { useState } from 'react';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';
import type { PartsChange } from './usePartsChange';

/** What the circuit needs of a part; candidates are ranked by it. */
export function Needs({
  job,
  designator,
  needs,
  change,
}: {
  job: Job;
  designator: string;
  needs: readonly string[];
  change: PartsChange;
}) {
  const [text, setText] = useState('');
  const add = () => {
    const said = text.trim();
    if (said !== '') {
      change.make(
        () => api.sayNeeds(job.id, designator, [...needs, said]),
        () => setText(''),
      );
    }
  };
  return (
    <section className="mt-3">
      <h3 className="font-semibold">What it must do here</h3>
      <ul aria-label="Needs">
        {needs.map((n) => (
          <li key={n} className="flex items-baseline justify-between gap-2">
            <span>{n}</span>
            <Button
              look="quiet"
              aria-label={`Take back: ${n}`}
              onClick={() =>
                change.make(() =>
                  api.sayNeeds(
                    job.id,
                    designator,
                    needs.filter((x) => x !== n),
                  ),
                )
              }
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex gap-2">
        <input
          aria-label="A need"
          value={text}
          data-typing={text !== ''}
          placeholder="supplies at least (5 V − 2 V) / 47 Ω"
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && add()}
          className="border-edge bg-card min-w-0 grow rounded border px-2 py-0.5"
        />
        <Button disabled={change.busy || text.trim() === ''} onClick={add}>
          Say it
        </Button>
      </div>
    </section>
  );
}

import { useState } from 'react';
import type { Job, Sheet } from '../api/client';

/** The numbers to draw the next board by: of the chosen shop, or what several can make. */
export function DrawBy({ job, sheets }: { job: Job; sheets: readonly Sheet[] }) {
  const [also, setAlso] = useState<readonly string[]>([]);
  const others = sheets.filter((s) => s.id !== job.sheetId && s.kind !== 'strip');
  const shops = [job.sheetId, ...also.filter((id) => id !== job.sheetId)].join(',');
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Rules to draw the next board by</summary>
      <p className="text-faint mt-1">
        This shop’s numbers with your headroom. Ticked shops are added: what all of them can make.
      </p>
      {others.map((s) => (
        <label key={s.id} className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={also.includes(s.id)}
            onChange={(e) =>
              setAlso(e.target.checked ? [...also, s.id] : also.filter((id) => id !== s.id))
            }
          />
          {s.name}
        </label>
      ))}
      <p className="mt-1 flex gap-3">
        <a
          className="underline"
          href={`/api/jobs/${job.id}/rules.pdf?shops=${shops}`}
          target="_blank"
          rel="noreferrer"
        >
          Page to print
        </a>
        <a
          className="underline"
          href={`/api/jobs/${job.id}/rules.txt?shops=${shops}`}
          target="_blank"
          rel="noreferrer"
        >
          Plain numbers
        </a>
      </p>
    </details>
  );
}

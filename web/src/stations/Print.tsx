import { useState } from 'react';
import { api, type Job } from '../api/client';
import { hexOf } from '../table/inks';

/** The board on paper at its true size. */
export function Print({ job }: { job: Job }) {
  const [chosen, setChosen] = useState<Record<string, boolean>>({ 'copper-top': true });
  const [composed, setComposed] = useState(false);
  const [mirrored, setMirrored] = useState(false);
  const layers = job.layers
    .filter((l) => chosen[l.role])
    .map((l) => ({ role: l.role, ink: hexOf(l.role) }));
  const option = (text: string, on: boolean, set: (on: boolean) => void) => (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        checked={on}
        onChange={(e) => set(e.target.checked)}
        className="accent-petrol"
      />
      {text}
    </label>
  );
  return (
    <section aria-label="True-scale print">
      <h2 className="mt-4 mb-1 font-semibold">Print at true scale</h2>
      <p className="text-faint mb-1 text-[13px]">
        A4 at 1:1 with a ruler to check the printer; a larger board goes over several sheets.
      </p>
      <div className="grid grid-cols-2 gap-x-3">
        {job.layers.map((l) => (
          <div key={l.role}>
            {option(l.words, chosen[l.role] ?? false, (on) =>
              setChosen({ ...chosen, [l.role]: on }),
            )}
          </div>
        ))}
      </div>
      <div className="border-edge/60 mt-1 grid grid-cols-2 gap-x-3 border-t pt-1">
        {option('all on one sheet', composed, setComposed)}
        {option('mirrored', mirrored, setMirrored)}
      </div>
      {layers.length > 0 ? (
        <a
          href={api.printAddress(job.id, layers, composed, mirrored)}
          target="_blank"
          rel="noreferrer"
          className="bg-card border-edge hover:border-faint mt-2 inline-block rounded border px-2.5 py-1"
        >
          Open the PDF
        </a>
      ) : (
        <p className="text-faint mt-1">Choose at least one layer.</p>
      )}
    </section>
  );
}

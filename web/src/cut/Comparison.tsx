import type { CutDifference } from '../api/client';
import { ChangeList } from '../bringin/ChangeList';
import { Button } from '../ui/Button';
import { usePair } from './useComparison';
import { Shown } from '../ui/Shown';

const MOST = 60;

/** What differs between two cuts: choices, findings, pictures and holes, parts, files. */
export function Comparison({ difference: d }: { difference: CutDifference }) {
  const { pair, compare } = usePair();
  const [before, after] = pair ?? [0, 0];
  const other = d.files.filter((f) => f.what !== 'its date');
  const dated = d.files.length - other.length;
  return (
    <section aria-label="Difference" className="border-petrol mt-3 border-l-4 pl-3">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">
          Cut {before} → cut {after}
        </h2>
        <Button look="quiet" onClick={() => compare(null)}>
          Close
        </Button>
      </div>
      <p className="my-1">
        {d.choices ? `Chosen otherwise: ${d.choices}.` : 'Nothing was chosen otherwise.'}
      </p>
      <ChangeList changes={d.board} title={`Board: what cut ${after} changed`} />
      <h3 className="font-semibold">Findings</h3>
      {d.findings.length === 0 ? <p className="text-faint">The same.</p> : null}
      <ul aria-label="Findings that differ">
        <Shown items={d.findings} most={MOST} what="findings">
          {(f) => (
            <li className="border-edge/60 border-b py-0.5">
              <b className={`font-semibold ${f.isNew ? 'text-stop' : 'text-good'}`}>
                {f.isNew ? 'new' : 'gone'}
              </b>{' '}
              {f.message}
            </li>
          )}
        </Shown>
      </ul>
      <h3 className="mt-2 font-semibold">Files</h3>
      {d.files.length === 0 ? <p className="text-faint">Byte for byte the same.</p> : null}
      <ul aria-label="Files that differ" className="num text-[13px]">
        {other.map((f) => (
          <li key={f.path} className="flex justify-between gap-2">
            <span className="min-w-0 break-all">{f.path}</span>
            <span className="text-faint shrink-0">{f.what}</span>
          </li>
        ))}
      </ul>
      {dated > 0 ? (
        <p className="text-faint">
          {dated} {dated === 1 ? 'file differs' : 'files differ'} in nothing but when they were
          made.
        </p>
      ) : null}
    </section>
  );
}

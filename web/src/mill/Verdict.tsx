import { useMemo, useState } from 'react';
import type { Rehearsal } from '../api/client';
import { useView } from '../store/view';
import { length } from '../units';
import { Fact } from '../ui/Panel';
import { Shown } from '../ui/Shown';

const MOST = 40;

/** So many places are told one by one. */
const CAPPED = 200;

type Fault = Rehearsal['faults'][number];

/** Faults in the same words, in the order of the first of each. */
function alike(faults: readonly Fault[]): Fault[][] {
  const groups = new Map<string, Fault[]>();
  for (const f of faults) {
    const group = groups.get(f.sentence);
    if (group) {
      group.push(f);
    } else {
      groups.set(f.sentence, [f]);
    }
  }
  return [...groups.values()];
}

/** What came of a rehearsal: whether the board is right, what is dangerous, what is wrong where. */
export function Verdict({ result }: { result: Rehearsal }) {
  const unit = useView((s) => s.unit);
  const look = useView((s) => s.lookAt);
  const go = (key: string, x: number, y: number) => look({ key, x, y, span: 5e6 });
  const { body } = result;
  const groups = useMemo(() => alike(result.faults), [result.faults]);
  return (
    <div aria-label="Verdict">
      <p
        data-passes={result.passes}
        className={`rounded border-l-4 px-3 py-1.5 font-semibold ${
          result.passes ? 'border-good bg-card text-good' : 'border-stop bg-card text-stop'
        }`}
      >
        {result.passes ? '✓ The board comes out right.' : '✗ This board would not come out right.'}
      </p>
      <div className="mt-2">
        {result.copper.map((c) => (
          <div key={c.side}>
            <Fact name={`Nets, ${c.side}`}>
              {c.good
                ? `${c.nets} separate and whole`
                : `${c.joined} joined, ${c.broken} cut, of ${c.nets}`}
            </Fact>
            <Fact name={`Wanted copper lost, ${c.side}`}>
              {c.lost === 0
                ? 'none'
                : `at ${c.lost} place${c.lost === 1 ? '' : 's'}${c.lost >= CAPPED ? ' and more' : ''}`}
            </Fact>
            {c.tied ? (
              <Fact name={`Tied to ${c.tied.net}, ${c.side}`}>
                {c.tied.tiedMm2.toFixed(1)} mm²
                {c.tied.loose === 0 ? ', all of it' : `, ${c.tied.loose} pieces are not`}
              </Fact>
            ) : null}
          </div>
        ))}
        {body ? (
          <>
            <Fact name="Holes">
              {body.wrong === 0
                ? `${body.holes} as wanted`
                : `${body.wrong} wrong of ${body.holes}`}
            </Fact>
            <Fact name="Edge">
              {body.cutOut ? `within ${length(Math.max(1000, body.deepestNm), unit)}` : 'not cut'}
            </Fact>
            <Fact name="Held to the end">
              {body.held ? `by ${body.tabs} tabs` : body.cutOut ? 'no' : '—'}
            </Fact>
          </>
        ) : null}
        <Fact name="Time on the mill">{result.minutes.toFixed(1)} min</Fact>
      </div>
      {result.copper.map((c) =>
        c.tied && c.tied.places.length > 0 ? (
          <div key={c.side}>
            <h2 className="mt-3 mb-1 font-semibold">
              Not tied to {c.tied.net}, {c.side}
            </h2>
            <ul aria-label={`Not tied, ${c.side}`}>
              <Shown items={c.tied.places} most={MOST} what="pieces">
                {(l, i) => (
                  <li>
                    <button
                      type="button"
                      onClick={() => go(`loose ${i}`, l.at.x, l.at.y)}
                      className="hover:bg-edge/40 border-edge/60 block w-full border-b py-1 text-left"
                    >
                      A piece of {l.areaMm2.toFixed(2)} mm² hangs on no net.
                    </button>
                  </li>
                )}
              </Shown>
            </ul>
            {c.tied.loose > c.tied.places.length ? (
              <p className="text-faint">
                and {c.tied.loose - c.tied.places.length} more, all smaller.
              </p>
            ) : null}
          </div>
        ) : null,
      )}
      {result.hazards.length > 0 ? (
        <>
          <h2 className="mt-3 mb-1 font-semibold">Hazards</h2>
          <ul aria-label="Hazards">
            <Shown items={result.hazards} most={MOST} what="hazards">
              {(h) => (
                <li>
                  <button
                    type="button"
                    onClick={() => go(`hazard ${h.line}`, h.at.x, h.at.y)}
                    className={`hover:bg-edge/40 mb-1 block w-full border-l-4 pl-2 text-left ${h.severe ? 'border-stop' : 'border-look/60'}`}
                  >
                    <span className="text-faint block text-[12.5px]">
                      {h.program}
                      {h.line > 0 ? `, line ${h.line}` : ''}
                      {h.also > 0 ? ` and ${h.also} more` : ''}
                    </span>
                    {h.sentence}
                  </button>
                </li>
              )}
            </Shown>
          </ul>
        </>
      ) : null}
      {result.faults.length > 0 ? (
        <>
          <h2 className="mt-3 mb-1 font-semibold">What would be wrong</h2>
          <ul aria-label="Faults">
            <Shown items={groups} most={MOST} what="faults">
              {(group) => <FaultRow group={group} onGo={go} />}
            </Shown>
          </ul>
        </>
      ) : null}
    </div>
  );
}

/** Faults in the same words; each click goes on to the next of their places. */
function FaultRow({
  group,
  onGo,
}: {
  group: readonly Fault[];
  onGo: (key: string, x: number, y: number) => void;
}) {
  const [at, setAt] = useState(-1);
  const next = (at + 1) % group.length;
  return (
    <li>
      <button
        type="button"
        onClick={() => {
          const f = group[next];
          if (f) {
            onGo(`fault ${f.at.x} ${f.at.y}`, f.at.x, f.at.y);
          }
          setAt(next);
        }}
        className="hover:bg-edge/40 border-edge/60 block w-full border-b py-1 text-left"
      >
        {group[0]?.sentence}
        {group.length > 1 ? (
          <span className="text-faint block text-[12.5px]">
            {at < 0 ? `at ${group.length} places` : `place ${at + 1} of ${group.length}`}
          </span>
        ) : null}
      </button>
    </li>
  );
}

import { useState } from 'react';
import { api, type Job, type PartKind, type Parts } from '../api/client';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { fittedWords } from './fitted';
import { pieces } from './words';
import type { PartsChange } from './usePartsChange';

/** One line of the list, with what is wrong with it beneath. */
function Row({
  kind,
  off = false,
  selected,
  onOpen,
}: {
  kind: PartKind;
  off?: boolean;
  selected: boolean;
  onOpen: () => void;
}) {
  const known = kind.known;
  return (
    <button
      type="button"
      role="row"
      aria-selected={selected}
      data-first={kind.names[0]}
      onClick={onOpen}
      className="border-edge/60 hover:bg-paper aria-selected:bg-paper grid w-full grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)_2rem_minmax(0,1.6fr)] items-baseline gap-x-2 border-b py-1 text-left [contain-intrinsic-size:auto_2.6rem] [content-visibility:auto]"
    >
      <span role="cell" className="num text-[13px] break-words">
        {kind.designators}
      </span>
      <span role="cell" className="min-w-0">
        {kind.words || <span className="text-faint">no value</span>}
        {kind.read ? null : (
          <span className="text-look block text-[12.5px]">nobody can read this value</span>
        )}
        <span className="text-faint block truncate text-[12.5px]">{kind.footprint}</span>
      </span>
      <span role="cell" className="num text-right">
        {kind.quantity}
      </span>
      <span role="cell" className="min-w-0 text-[13px]">
        {off ? (
          <span className="text-faint">left off</span>
        ) : (
          <>
            <span className="num block truncate">
              {known?.number || kind.number || <span className="text-faint">no number</span>}
            </span>
            <span className="text-faint block text-[12.5px]">
              {known
                ? `${known.lineStock ? 'line stock' : 'loaded to order'}, ${pieces(known.stock)} pcs`
                : kind.proposed
                  ? 'found at the counter'
                  : kind.candidates > 0
                    ? `${kind.candidates} could be meant`
                    : 'not known'}
            </span>
          </>
        )}
        {kind.fittedBy.map((f) => (
          <span
            key={f.by + f.why}
            className={`block text-[12.5px] ${f.by === 'nobody' ? 'text-stop' : 'text-faint'}`}
          >
            {kind.fittedBy.length > 1 ? `${f.designators} ` : ''}
            {fittedWords(f)}
          </span>
        ))}
        {kind.troubles.map((t) => (
          <span key={t} className="text-stop block text-[12.5px]">
            ! {t}
          </span>
        ))}
      </span>
    </button>
  );
}

/** How much of what the shop takes is used. */
function Limits({ parts }: { parts: Parts }) {
  const l = parts.limits;
  const of = (has: number, most: number | null | undefined, what: string) => (
    <span className={most != null && has > most ? 'text-stop font-semibold' : ''}>
      <span className="num">{has}</span>
      {most != null ? (
        <>
          {' '}
          of <span className="num">{most}</span>
        </>
      ) : null}{' '}
      {what}
    </span>
  );
  return (
    <p className="text-faint mb-2 text-[13px]">
      {of(l.lines, l.mostLines, 'lines')} · {of(l.placements, l.mostPlacements, 'placements')} ·{' '}
      {of(l.loaded, l.mostLoaded, 'kinds loaded to order')}
      {l.shop ? ` at ${l.shop}` : ` · ${l.bare}`}
    </p>
  );
}

/** The parts list as the shop gets it. */
export function ListTab({
  job,
  parts,
  change,
  onOpen,
}: {
  job: Job;
  parts: Parts;
  change: PartsChange;
  onOpen: (designator: string) => void;
}) {
  const chosen = useView((s) => s.part);
  const [words, setWords] = useState('');
  const [only, setOnly] = useState(false);
  const fits = (k: PartKind) =>
    (!only || k.troubles.length > 0 || !k.known) &&
    `${k.designators} ${k.names.join(' ')} ${k.words} ${k.value} ${k.footprint} ${k.number}`
      .toLowerCase()
      .includes(words.toLowerCase());
  const sure = parts.kinds.filter((k) => k.proposed !== '');
  const take = () =>
    change.make(() =>
      api.chooseParts(
        job.id,
        [''],
        Object.fromEntries(
          sure.flatMap((k) => k.names.map((n) => [n, { partNumber: k.proposed }])),
        ),
      ),
    );
  if (!parts.hasList && !parts.hasPlacement) {
    return <p>The pack has neither a parts list nor a placement: bring them in at Bring in.</p>;
  }
  return (
    <>
      <Limits parts={parts} />
      {sure.length > 0 ? (
        <div className="bg-paper border-edge mb-2 flex items-center justify-between gap-2 rounded border px-3 py-2">
          <span>
            {sure.length} {sure.length === 1 ? 'kind' : 'kinds'} found at the counter by number.
          </span>
          <Button look="main" data-take="sure" disabled={change.busy} onClick={take}>
            Take {sure.length === 1 ? 'it' : `all ${sure.length}`}
          </Button>
        </div>
      ) : null}
      <div className="mb-1 flex items-center gap-3">
        <input
          aria-label="Find in the list"
          placeholder="Find: R7, 100 nF, 0603 …"
          value={words}
          onChange={(e) => setWords(e.target.value)}
          className="border-edge bg-card min-w-0 grow rounded border px-2 py-0.5"
        />
        <label className="flex shrink-0 items-center gap-1.5 text-[13px]">
          <input type="checkbox" checked={only} onChange={(e) => setOnly(e.target.checked)} />
          only what is open
        </label>
      </div>
      <div role="table" aria-label="Parts list">
        <div
          role="row"
          className="text-faint grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)_2rem_minmax(0,1.6fr)] gap-x-2 text-[13px]"
        >
          <span role="columnheader">designators</span>
          <span role="columnheader">value, footprint</span>
          <span role="columnheader" className="text-right">
            qty
          </span>
          <span role="columnheader">part</span>
        </div>
        {parts.kinds.filter(fits).map((k) => (
          <Row
            key={k.designators}
            kind={k}
            selected={chosen !== null && k.names.includes(chosen)}
            onOpen={() => onOpen(k.names[0] ?? '')}
          />
        ))}
        {parts.off.filter(fits).map((k) => (
          <Row
            key={`off ${k.designators}`}
            kind={k}
            off
            selected={chosen !== null && k.names.includes(chosen)}
            onOpen={() => onOpen(k.names[0] ?? '')}
          />
        ))}
      </div>
    </>
  );
}

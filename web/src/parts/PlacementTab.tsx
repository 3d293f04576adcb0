import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { Job, Parts } from '../api/client';
import { ByPackage } from '../placement/ByPackage';
import { Heights } from '../placement/Heights';
import { usePlacement } from '../placement/usePlacement';
import { useView } from '../store/view';
import { Toggle } from '../ui/Button';
import { number } from '../units';
import type { PartsChange } from './usePartsChange';

const ROW = 26;

/** The placement by footprint, or line by line as it will be handed over. */
export function PlacementTab({
  job,
  parts,
  change,
}: {
  job: Job;
  parts: Parts;
  change: PartsChange;
}) {
  const placement = usePlacement(job);
  const [lines, setLines] = useState(false);
  if (!parts.hasPlacement) {
    return <p>The pack has no placement file.</p>;
  }
  return (
    <>
      <div role="group" aria-label="Shown as" className="mb-2 flex gap-1">
        <Toggle on={!lines} onClick={() => setLines(false)}>
          By footprint
        </Toggle>
        <Toggle on={lines} onClick={() => setLines(true)}>
          Line by line
        </Toggle>
      </div>
      {lines ? (
        <Lines parts={parts} />
      ) : placement.data ? (
        <>
          <Heights job={job} change={change} />
          <ByPackage job={job} placement={placement.data} change={change} />
        </>
      ) : placement.error ? (
        <p role="alert" className="text-stop">
          {placement.error.message}
        </p>
      ) : (
        <p className="text-faint">Holding every rotation against its pads …</p>
      )}
    </>
  );
}

/** Where each part goes; of thousands only those in sight are laid out. */
function Lines({ parts }: { parts: Parts }) {
  const unit = useView((s) => s.unit);
  const chosen = useView((s) => s.part);
  const select = useView((s) => s.selectPart);
  const body = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it is told of every scroll itself
  const rows = useVirtualizer({
    count: parts.parts.length,
    estimateSize: () => ROW,
    overscan: 12,
    getScrollElement: () => body.current?.closest('.overflow-auto') ?? null,
  });
  const columns = 'grid grid-cols-[minmax(0,1.2fr)_5rem_5rem_4rem_4rem] items-center gap-x-2';
  return (
    <div role="table" aria-label="Placement" aria-rowcount={parts.parts.length + 1}>
      <div role="row" aria-rowindex={1} className={`text-faint text-[13px] ${columns}`}>
        <span role="columnheader">part</span>
        <span role="columnheader" className="text-right">
          x {unit}
        </span>
        <span role="columnheader" className="text-right">
          y {unit}
        </span>
        <span role="columnheader" className="text-right">
          turn °
        </span>
        <span role="columnheader">side</span>
      </div>
      <div ref={body} className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const p = parts.parts[item.index];
          return p ? (
            <div
              key={p.designator}
              role="row"
              aria-rowindex={item.index + 2}
              aria-selected={p.designator === chosen}
              style={{ height: ROW, transform: `translateY(${item.start}px)` }}
              className={`border-edge/60 aria-selected:bg-paper absolute inset-x-0 border-b ${columns}`}
            >
              <span role="cell">
                <button
                  type="button"
                  className="underline decoration-dotted underline-offset-2"
                  onClick={() => select(p.designator)}
                >
                  {p.designator}
                </button>
                {p.fitted ? '' : <span className="text-faint"> left off</span>}
              </span>
              <span role="cell" className="num text-right">
                {number(p.x, unit)}
              </span>
              <span role="cell" className="num text-right">
                {number(p.y, unit)}
              </span>
              <span role="cell" className="num text-right">
                {p.rotationDeg}
              </span>
              <span role="cell">{p.side}</span>
            </div>
          ) : null;
        })}
      </div>
    </div>
  );
}

import type { Parts } from '../api/client';
import { useView } from '../store/view';
import { number } from '../units';

/** Where each part goes, as it will be handed over. */
export function PlacementTab({ parts }: { parts: Parts }) {
  const unit = useView((s) => s.unit);
  const chosen = useView((s) => s.part);
  const select = useView((s) => s.selectPart);
  if (!parts.hasPlacement) {
    return <p>The pack has no placement file.</p>;
  }
  const columns = 'grid grid-cols-[minmax(0,1.2fr)_5rem_5rem_4rem_4rem] gap-x-2';
  return (
    <div role="table" aria-label="Placement">
      <div role="row" className={`text-faint text-[13px] ${columns}`}>
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
      {parts.parts.map((p) => (
        <div
          key={p.designator}
          role="row"
          aria-selected={p.designator === chosen}
          className={`border-edge/60 aria-selected:bg-paper border-b [contain-intrinsic-size:auto_1.6rem] [content-visibility:auto] ${columns}`}
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
      ))}
    </div>
  );
}

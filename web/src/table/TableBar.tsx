import { useView } from '../store/view';
import { length } from '../units';
import { Button, Toggle } from '../ui/Button';
import { Slider } from '../ui/Slider';

/** Below the table: where the pointer is, and what the table can do. */
export function TableBar({ onFit, readout }: { onFit: (() => void) | null; readout: string }) {
  const view = useView();
  return (
    <div className="border-edge bg-card flex shrink-0 flex-wrap items-center gap-0.5 border-t px-2 py-1 whitespace-nowrap max-[940px]:flex-nowrap max-[940px]:overflow-x-auto [scrollbar-width:thin]">
      <output aria-label="Pointer position" className="num w-36 shrink-0 whitespace-pre">
        {readout}
      </output>
      <Button look="quiet" onClick={view.cycleUnit} title="Change the unit (U)">
        {view.unit}
      </Button>
      {onFit ? (
        <Button look="quiet" onClick={onFit} title="Show the whole board (Home)">
          Fit
        </Button>
      ) : null}
      <Toggle on={view.flipped} onClick={view.flip} title="See it from below (B)">
        Below
      </Toggle>
      <Button look="quiet" onClick={view.rotate} title="Turn the board by a quarter (R)">
        Turn
      </Button>
      <Toggle on={view.grid} onClick={view.toggleGrid} title="Show a grid (G)">
        Grid
      </Toggle>
      <Toggle on={view.solid} onClick={view.toggleSolid} title="The board as it will look (S)">
        Solid
      </Toggle>
      <Toggle
        on={view.measuring}
        onClick={() => view.setMeasuring(!view.measuring)}
        title="Measure between two places (M)"
      >
        Measure
      </Toggle>
      <Lamp />
    </div>
  );
}

/** How bright the table is lit. */
export function Lamp() {
  const view = useView();
  return (
    <span className="text-faint ml-auto flex items-center gap-2 pr-1">
      Lamp
      <Slider
        label="Lamp brightness"
        value={view.lamp}
        min={0.45}
        max={1}
        step={0.05}
        onValueChange={view.setLamp}
      />
    </span>
  );
}

/** The last measure in words, over the table, and the way to remove it. */
export function LastMeasure() {
  const unit = useView((s) => s.unit);
  const last = useView((s) => s.measures.at(-1));
  const remove = useView((s) => s.removeMeasure);
  if (!last) {
    return null;
  }
  const d = Math.hypot(last.to.x - last.from.x, last.to.y - last.from.y);
  return (
    <div
      className="bg-card/95 border-edge absolute top-3 left-3 flex cursor-default items-center gap-1 rounded border py-0.5 pl-2"
      onPointerDown={(e) => e.stopPropagation()}
      onPointerUp={(e) => e.stopPropagation()}
    >
      <output aria-label="Measure" className="num whitespace-pre">
        {length(d, unit)}
        {last.gap ? `, gap ${length(last.gap.nm, unit)}` : ''}
      </output>
      <Button
        look="quiet"
        onClick={() => remove(last.id)}
        title="Remove the last measure (Backspace)"
      >
        Remove
      </Button>
    </div>
  );
}

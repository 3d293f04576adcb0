import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Slider } from '../ui/Slider';

/** Below the table: where the pointer is, and what the table can do. */
export function TableBar({ onFit, readout }: { onFit: () => void; readout: string }) {
  const view = useView();
  const last = view.measures.at(-1);
  const dx = last ? last.to.x - last.from.x : 0;
  const dy = last ? last.to.y - last.from.y : 0;
  return (
    <div className="border-edge bg-card flex items-center gap-0.5 border-t px-2 py-1 whitespace-nowrap">
      <output aria-label="Pointer position" className="num w-40 shrink-0 whitespace-pre">
        {readout}
      </output>
      <Button look="quiet" onClick={view.cycleUnit} title="Change the unit (U)">
        {view.unit}
      </Button>
      <Button look="quiet" onClick={onFit} title="Show the whole board (Home)">
        Fit
      </Button>
      <Button
        look={view.flipped ? 'plain' : 'quiet'}
        aria-pressed={view.flipped}
        onClick={view.flip}
        title="See it from below (B)"
      >
        Below
      </Button>
      <Button look="quiet" onClick={view.rotate} title="Turn the board by a quarter (R)">
        Turn
      </Button>
      <Button
        look={view.grid ? 'plain' : 'quiet'}
        aria-pressed={view.grid}
        onClick={view.toggleGrid}
        title="Show a grid (G)"
      >
        Grid
      </Button>
      <Button
        look={view.solid ? 'plain' : 'quiet'}
        aria-pressed={view.solid}
        onClick={view.toggleSolid}
        title="The board as it will look (S)"
      >
        Solid
      </Button>
      <Button
        look={view.measuring ? 'plain' : 'quiet'}
        aria-pressed={view.measuring}
        onClick={() => view.setMeasuring(!view.measuring)}
        title="Measure between two places (M)"
      >
        Measure
      </Button>
      {last ? (
        <output aria-label="Measure" className="num whitespace-pre">
          {length(Math.hypot(dx, dy), view.unit)}
        </output>
      ) : null}
      {last ? (
        <Button
          look="quiet"
          onClick={() => view.removeMeasure(last.id)}
          title="Remove the last measure (Backspace)"
        >
          Remove
        </Button>
      ) : null}
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
    </div>
  );
}

import { useEffect, useState } from 'react';
import { api, type Job, type MillSetup, type OnMill } from '../api/client';
import { SheetForm } from '../shop/SheetForm';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { useMill, type AreaUse, type Area } from './scene';
import { useSetup } from './useSetup';

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="border-edge/60 flex min-h-8 items-center justify-between gap-3 border-b py-1">
      <span className="text-faint">{name}</span>
      <span className="flex items-center gap-1">{children}</span>
    </div>
  );
}

const PRESSED = 'aria-pressed:border-sienna aria-pressed:font-semibold';

const CLEARING = [
  { value: 'channel', text: 'a channel round each net' },
  { value: 'rub-out', text: 'all of the rest goes' },
  { value: 'tie', text: 'the rest is tied to a net' },
] as const;

/** How the board is made on this mill: sides, clearing, where it lies. */
/** An area drawn on the table as the set-up has it. */
function inMm(a: Area) {
  return {
    minXMm: a.minX / 1e6,
    minYMm: a.minY / 1e6,
    maxXMm: a.maxX / 1e6,
    maxYMm: a.maxY / 1e6,
  };
}

export function SetupTab({ job, mill }: { job: Job; mill: OnMill }) {
  const { error, keep, refuse } = useSetup(job);
  const show = useMill((s) => s.show);
  const drawing = useMill((s) => s.drawing);
  const drawn = useMill((s) => s.drawn);
  const unit = useView((s) => s.unit);
  const [editing, setEditing] = useState(false);
  const setup = mill.setup;
  const change = (part: Partial<MillSetup>) => keep({ ...setup, ...part });
  useEffect(() => show({ setup }), [setup, show]);
  useEffect(() => {
    if (drawn) {
      show({ drawn: null });
      keep({ ...setup, [drawn.use]: [...(setup[drawn.use] ?? []), inMm(drawn.area)] });
    }
  }, [drawn, keep, setup, show]);
  const milled = setup.sides?.length ? setup.sides : mill.sides;
  const area = (use: AreaUse, name: string) => (
    <Row name={name}>
      {(setup[use] ?? []).map((a, i) => (
        <Button
          key={`${a.minXMm} ${a.minYMm}`}
          aria-label={`Remove area ${i + 1}`}
          onClick={() => change({ [use]: (setup[use] ?? []).filter((_, k) => k !== i) })}
        >
          {i + 1} ×
        </Button>
      ))}
      <Button
        aria-pressed={drawing === use}
        className={PRESSED}
        onClick={() => show({ drawing: drawing === use ? null : use })}
      >
        {drawing === use ? 'drag on the table …' : 'draw one'}
      </Button>
    </Row>
  );
  return (
    <div aria-label="Set-up">
      <p className="text-faint mb-2">
        {length(mill.isolationDepth, unit)} deep, channels {length(mill.channel, unit)} wide, stock{' '}
        {length(mill.stockWidth, unit)} × {length(mill.stockHeight, unit)}.{' '}
        <button
          type="button"
          className="underline decoration-dotted underline-offset-2"
          onClick={() => setEditing(true)}
        >
          Change rack and habits
        </button>
      </p>
      {editing && job.sheetId ? (
        <SheetForm
          id={job.sheetId}
          copy={false}
          onClose={() => setEditing(false)}
          onKept={() => setEditing(false)}
        />
      ) : null}
      {error ? (
        <p role="alert" className="border-stop text-stop mb-2 border-l-4 pl-2">
          {error}
        </p>
      ) : null}
      <Row name="Sides to mill">
        {mill.sides.map((s) => (
          <Button
            key={s}
            aria-pressed={milled.includes(s)}
            className={PRESSED}
            onClick={() => {
              const next = milled.includes(s) ? milled.filter((m) => m !== s) : [...milled, s];
              change({ sides: next.length === 0 ? mill.sides : next });
            }}
          >
            {s}
          </Button>
        ))}
      </Row>
      <Row name="Copper not wanted">
        <Select
          label="Copper not wanted"
          className="w-48"
          value={setup.clearing ?? 'channel'}
          options={CLEARING}
          onValueChange={(clearing) =>
            change(
              clearing === 'tie'
                ? { clearing, ground: setup.ground ? setup.ground : (mill.nets[0] ?? '') }
                : { clearing },
            )
          }
        />
      </Row>
      {setup.clearing === 'tie' ? (
        <Row name="Tied to">
          <Select
            label="Tied to"
            className="w-36"
            value={setup.ground ?? ''}
            options={mill.nets.map((n) => ({ value: n, text: n }))}
            onValueChange={(ground) => change({ ground })}
          />
        </Row>
      ) : null}
      {area('rubOut', 'Areas rubbed out')}
      {area('leaveOut', 'Areas left uncut')}
      <Row name="Rings round unplated holes">
        <Button
          aria-pressed={setup.leaveFreeCopper ?? false}
          className={PRESSED}
          onClick={() => change({ leaveFreeCopper: !setup.leaveFreeCopper })}
        >
          left uncut
        </Button>
      </Row>
      <Row name="Nick allowed, mm">
        <NumberField
          label="Nick allowed, mm"
          value={setup.nickMm ?? 0}
          onCommit={(n) => change({ nickMm: n ?? 0 })}
        />
      </Row>
      <Row name="Milling">
        <Select
          label="Milling"
          className="w-32"
          value={setup.climb ? 'climb' : 'conventional'}
          options={[
            { value: 'climb', text: 'climb' },
            { value: 'conventional', text: 'conventional' },
          ]}
          onValueChange={(v) => change({ climb: v === 'climb' })}
        />
      </Row>
      <h2 className="mt-4 mb-1 font-semibold">Where it lies</h2>
      <Row name="From the stock's left, lower edge, mm">
        <NumberField
          label="From the left edge, mm"
          value={setup.inStockXMm ?? 0}
          onCommit={(n) => change({ inStockXMm: n ?? 0 })}
        />
        <NumberField
          label="From the lower edge, mm"
          value={setup.inStockYMm ?? 0}
          onCommit={(n) => change({ inStockYMm: n ?? 0 })}
        />
      </Row>
      <Row name="Turned over">
        <Select
          label="Turned over"
          className="w-40"
          value={setup.turnedOver ?? 'upright'}
          options={[
            { value: 'upright', text: 'left to right' },
            { value: 'level', text: 'near to far' },
          ]}
          onValueChange={(turnedOver) => change({ turnedOver })}
        />
      </Row>
      <Row name="Index pins">
        <Select
          label="Index pins"
          className="w-20"
          value={String(setup.pins ?? 2)}
          options={['0', '2', '4'].map((n) => ({ value: n, text: n === '0' ? 'none' : n }))}
          onValueChange={(n) => change({ pins: Number(n) })}
        />
      </Row>
      <Row name="Z zero of holes and contour">
        <Select
          label="Z zero of holes and contour"
          className="w-36"
          value={setup.throughZero ?? 'stock-top'}
          options={[
            { value: 'stock-top', text: 'top of stock' },
            { value: 'bed', text: 'bed' },
          ]}
          onValueChange={(throughZero) => change({ throughZero })}
        />
      </Row>
      <Button
        className="mt-3"
        onClick={() => void api.usualMill(job.id).then(keep, (e: Error) => refuse(e.message))}
      >
        Set up as usual
      </Button>
      {mill.joints > 0 ? (
        <p className="mt-3">
          {mill.joints} joints are made by hand, as the mill plates no holes; they are listed on the
          set-up sheet.
        </p>
      ) : null}
    </div>
  );
}

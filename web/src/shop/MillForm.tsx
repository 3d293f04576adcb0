import type { ReactNode } from 'react';
import type { SheetCutter, SheetLimit, SheetMill } from '../api/client';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { nmPer } from '../units';

const KINDS = [
  { value: 'v', text: 'V' },
  { value: 'flat', text: 'flat' },
  { value: 'drill', text: 'drill' },
] as const;

const CHANGE = [
  { value: 'program-per-tool', text: 'one program for each tool' },
  { value: 'pause', text: 'a pause in the program' },
] as const;

/** Lengths of the mill section, in the order a maker meets them. */
const LENGTHS: readonly { key: string; text: string }[] = [
  { key: 'stock_width', text: 'Stock, wide' },
  { key: 'stock_height', text: 'Stock, high' },
  { key: 'stock_thickness', text: 'Stock, thick' },
  { key: 'copper_thickness', text: 'Copper, thick' },
  { key: 'bed_width', text: 'Bed, wide' },
  { key: 'bed_height', text: 'Bed, high' },
  { key: 'bed_lift', text: 'Lift above the bed' },
  { key: 'safe_height', text: 'Safe height' },
  { key: 'isolation_depth', text: 'Isolation depth' },
  { key: 'channel', text: 'Channel' },
  { key: 'breakthrough', text: 'Breakthrough' },
  { key: 'drill_tolerance', text: 'A drill may be off by' },
  { key: 'tab_width', text: 'Tab, wide' },
  { key: 'tab_height', text: 'Tab, high' },
  { key: 'pin_diameter', text: 'Index pin, diameter' },
  { key: 'pin_depth', text: 'Index pin, into the bed' },
];

const MM: Record<string, number> = {
  mm: 1,
  um: 0.001,
  in: nmPer('inch') / 1e6,
  mil: nmPer('mil') / 1e6,
};

const inMm = (l: SheetLimit) => Math.round(l.value * (MM[l.unit] ?? 1) * 1e6) / 1e6;

/** The section of a mill's sheet: stock, bed, depths, the controller's habits and the rack. */
export function MillForm({
  mill,
  onChange,
}: {
  mill: SheetMill;
  onChange: (mill: SheetMill) => void;
}) {
  const set = (part: Partial<SheetMill>) => onChange({ ...mill, ...part });
  const today = new Date().toISOString().slice(0, 10);
  const number = (key: string, text: string, unit: string, whole = false) => (
    <Cell text={text} unit={unit}>
      <NumberField
        label={text}
        className="w-20"
        value={Number(mill[key] ?? 0)}
        onCommit={(n) => set({ [key]: whole ? Math.round(n ?? 0) : (n ?? 0) })}
      />
    </Cell>
  );
  const choice = (key: string, text: string) => (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        checked={Boolean(mill[key])}
        onChange={(e) => set({ [key]: e.target.checked })}
      />
      {text}
    </label>
  );
  return (
    <>
      <h3 className="mt-4 mb-1 font-semibold">Mill</h3>
      <div className="grid grid-cols-3 gap-x-8">
        {LENGTHS.map(({ key, text }) => {
          const l = mill[key] as SheetLimit | undefined;
          return (
            <Cell key={key} text={text} unit="mm">
              <NumberField
                label={text}
                className="w-20"
                value={l ? inMm(l) : null}
                onCommit={(value) =>
                  value !== null &&
                  set({ [key]: { source: 'own', ...l, value, unit: 'mm', date: today } })
                }
              />
            </Cell>
          );
        })}
        <Cell text="Passes overlap by" unit="%">
          <NumberField
            label="Passes overlap by"
            className="w-20"
            value={Math.round(Number(mill.pass_overlap ?? 0) * 1e4) / 100}
            onCommit={(n) => set({ pass_overlap: (n ?? 0) / 100 })}
          />
        </Cell>
        {number('tabs', 'Tabs', '', true)}
        {number('rapid_mm_min', 'Rapid movement', 'mm/min')}
        {number('tool_change_minutes', 'A tool change takes', 'min')}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="flex items-center gap-2">
          Tools change by
          <Select
            label="Tools change by"
            value={mill.tool_change ?? 'program-per-tool'}
            onValueChange={(tool_change) => set({ tool_change })}
            options={CHANGE}
          />
        </span>
        {choice('line_numbers', 'line numbers')}
        {choice('arcs', 'arcs, not short lines')}
        {choice('spindle_speed', 'spindle speed in the program')}
      </div>
      <Rack rack={mill.rack} onChange={(rack) => set({ rack })} />
    </>
  );
}

function Cell({ text, unit, children }: { text: string; unit: string; children: ReactNode }) {
  return (
    <label className="border-edge/60 flex items-center gap-1.5 border-b py-0.5 text-[14px]">
      <span className="grow">{text}</span>
      {children}
      <span className="text-faint w-12 text-[12.5px]">{unit}</span>
    </label>
  );
}

const COLUMNS: readonly { key: keyof SheetCutter; text: string; unit: string; only?: string }[] = [
  { key: 'tip_mm', text: 'tip', unit: 'mm', only: 'v' },
  { key: 'angle_deg', text: 'angle', unit: '°', only: 'v' },
  { key: 'diameter_mm', text: 'diameter', unit: 'mm' },
  { key: 'flute_mm', text: 'flute', unit: 'mm' },
  { key: 'feed_mm_min', text: 'feed', unit: 'mm/min' },
  { key: 'plunge_mm_min', text: 'plunge', unit: 'mm/min' },
  { key: 'spindle_rpm', text: 'spindle', unit: '1/min' },
  { key: 'depth_per_pass_mm', text: 'per pass', unit: 'mm' },
];

/** The cutters and drills, a row each. */
function Rack({
  rack,
  onChange,
}: {
  rack: readonly SheetCutter[];
  onChange: (rack: SheetCutter[]) => void;
}) {
  const put = (index: number, part: Partial<SheetCutter>) =>
    onChange(rack.map((c, i) => (i === index ? { ...c, ...part } : c)));
  const text = (i: number, key: 'id' | 'name', width: string) => (
    <input
      aria-label={`${key === 'id' ? 'Id' : 'Name'} of tool ${i + 1}`}
      value={rack[i]?.[key] ?? ''}
      onChange={(e) => put(i, { [key]: e.target.value })}
      className={`border-edge bg-card rounded border px-1 ${width}`}
    />
  );
  return (
    <>
      <h3 className="mt-4 mb-1 font-semibold">Rack</h3>
      <table aria-label="Rack" className="w-full text-[14px]">
        <thead>
          <tr className="text-faint text-left align-bottom text-[12.5px]">
            <th className="font-normal">id</th>
            <th className="font-normal">name</th>
            <th className="font-normal">kind</th>
            {COLUMNS.map((c) => (
              <th key={c.key} className="pr-1 text-right font-normal">
                {c.text}
                <br />
                {c.unit}
              </th>
            ))}
            <th />
          </tr>
        </thead>
        <tbody>
          {rack.map((cutter, i) => (
            <tr key={i} data-tool={cutter.id} className="border-edge/60 border-b">
              <td className="py-0.5 pr-1">{text(i, 'id', 'num w-24')}</td>
              <td className="pr-1">{text(i, 'name', 'w-full')}</td>
              <td className="pr-1">
                <Select
                  label={`Kind of tool ${i + 1}`}
                  className="w-[72px]"
                  value={cutter.kind}
                  onValueChange={(kind) => put(i, { kind })}
                  options={KINDS}
                />
              </td>
              {COLUMNS.map((c) => (
                <td key={c.key} className="pr-1 text-right">
                  {c.only && c.only !== cutter.kind ? null : (
                    <NumberField
                      label={`${c.text} of tool ${i + 1}, ${c.unit}`}
                      className="w-[58px]"
                      value={Number(cutter[c.key] ?? 0)}
                      onCommit={(n) => put(i, { [c.key]: n ?? 0 })}
                    />
                  )}
                </td>
              ))}
              <td className="text-right">
                <Button
                  look="quiet"
                  className="py-0 underline"
                  aria-label={`Take out tool ${i + 1}`}
                  onClick={() => onChange(rack.filter((_, k) => k !== i))}
                >
                  take out
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button className="mt-1.5" onClick={() => onChange([...rack, another(rack)])}>
        Add a tool
      </Button>
    </>
  );
}

/** Like the last in the rack, to be changed; its id is not taken yet. */
function another(rack: readonly SheetCutter[]): SheetCutter {
  const last = rack[rack.length - 1];
  let n = rack.length + 1;
  while (rack.some((c) => c.id === `tool-${n}`)) {
    n++;
  }
  return {
    ...(last ?? {
      kind: 'flat',
      tip_mm: 0,
      angle_deg: 0,
      diameter_mm: 1,
      flute_mm: 6,
      feed_mm_min: 200,
      plunge_mm_min: 60,
      spindle_rpm: 12000,
      depth_per_pass_mm: 0.5,
    }),
    id: `tool-${n}`,
    name: `Tool ${n}`,
  };
}

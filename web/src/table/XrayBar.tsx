import type { Job } from '../api/client';
import { useView, type Xray } from '../store/view';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { Slider } from '../ui/Slider';
import { hexOfInk, XRAY_A, XRAY_B } from './inks';

/** The two films that most often part: both copper sides, else the first two. */
export function firstXray(job: Job): Xray | null {
  const roles = job.layers.map((l) => l.role);
  const copper = roles.filter((r) => r.startsWith('copper-'));
  const [a, b] = copper.length > 1 ? [copper[0], copper.at(-1)] : roles;
  return a && b ? { a, b, mix: 0.5 } : null;
}

/** In place of the films: which two lie over each other, and how much of each. */
export function XrayBar({ job, xray }: { job: Job; xray: Xray }) {
  const setXray = useView((s) => s.setXray);
  const options = job.layers.map((l) => ({ value: l.role, text: l.words }));
  return (
    <div className="border-edge bg-card flex items-center gap-2 border-b px-2 py-1 whitespace-nowrap">
      <b className="font-semibold">X-ray</b>
      <Swatch color={hexOfInk(XRAY_A)} />
      <Select
        label="First film"
        className="w-36"
        value={xray.a}
        onValueChange={(a) => setXray({ ...xray, a })}
        options={options}
      />
      <Slider
        label="From the first film to the second"
        value={xray.mix}
        min={0}
        max={1}
        step={0.05}
        onValueChange={(mix) => setXray({ ...xray, mix })}
      />
      <Swatch color={hexOfInk(XRAY_B)} />
      <Select
        label="Second film"
        className="w-36"
        value={xray.b}
        onValueChange={(b) => setXray({ ...xray, b })}
        options={options}
      />
      <span className="text-faint truncate text-[13px]">a fringe shows where they part</span>
      <Button className="ml-auto py-0" title="Back to the films (X)" onClick={() => setXray(null)}>
        Films
      </Button>
    </div>
  );
}

function Swatch({ color }: { color: string }) {
  return (
    <span
      className="border-ink/30 inline-block h-3 w-3 shrink-0 rounded-sm border"
      style={{ background: color }}
    />
  );
}

import { useState } from 'react';
import type { Job } from '../api/client';
import { useView } from '../store/view';
import { length } from '../units';
import { Fact, Panel } from '../ui/Panel';

interface HoleSize {
  diameter: number;
  plated: boolean;
  slots: number;
  count: number;
}

function sizes(job: Job): HoleSize[] {
  const bySize = new Map<string, HoleSize>();
  for (const h of job.holes) {
    const key = `${h.diameter} ${h.plated}`;
    const size = bySize.get(key) ?? { diameter: h.diameter, plated: h.plated, slots: 0, count: 0 };
    size.count++;
    size.slots += h.x0 !== h.x1 || h.y0 !== h.y1 ? 1 : 0;
    bySize.set(key, size);
  }
  return [...bySize.values()].sort((a, b) => a.diameter - b.diameter);
}

/** The board's facts, its nets and holes. */
export function LookOver({ job }: { job: Job }) {
  const unit = useView((s) => s.unit);
  const lit = useView((s) => s.net);
  const lightNet = useView((s) => s.lightNet);
  const [find, setFind] = useState('');
  const b = job.board;
  const nets = job.nets.filter((n) => n.name.toLowerCase().includes(find.toLowerCase()));
  return (
    <Panel title="Look over" lead="Point at copper to see what it is; click it to light its net.">
      <Fact name="Size">
        {b.widthMm > 0
          ? `${length(b.widthMm * 1e6, unit)} × ${length(b.heightMm * 1e6, unit)}`
          : 'no closed outline'}
      </Fact>
      <Fact name="Copper layers">{b.copperLayers}</Fact>
      <Fact name="Holes, slots">
        {b.holes}, {b.slots}
      </Fact>
      <Fact name="Nets named">{b.nets}</Fact>
      <Fact name="Parts">{b.parts}</Fact>
      <h2 className="mt-4 mb-1 font-semibold">Holes</h2>
      <table className="w-full">
        <thead className="text-faint text-left text-[13px]">
          <tr>
            <th className="font-normal">plating</th>
            <th className="text-right font-normal">diameter</th>
            <th className="text-right font-normal">count</th>
            <th className="text-right font-normal">of them slots</th>
          </tr>
        </thead>
        <tbody>
          {sizes(job).map((s) => (
            <tr key={`${s.diameter} ${s.plated}`} className="border-edge/60 border-b">
              <td>{s.plated ? 'plated' : 'unplated'}</td>
              <td className="num text-right">{length(s.diameter, unit)}</td>
              <td className="num text-right">{s.count}</td>
              <td className="num text-right">{s.slots || ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="mt-4 mb-1 font-semibold">Nets</h2>
      <input
        value={find}
        onChange={(e) => setFind(e.target.value)}
        placeholder="Find a net"
        aria-label="Find a net"
        className="border-edge bg-card mb-1.5 w-full rounded border px-2 py-1"
      />
      <div className="flex flex-wrap gap-1">
        {nets.map((n) => (
          <button
            key={n.net}
            type="button"
            aria-pressed={n.net === lit}
            onClick={() => lightNet(n.net === lit ? null : n.net)}
            className="num border-edge aria-pressed:bg-petrol rounded border px-1.5 py-0.5 aria-pressed:text-white"
          >
            {n.name}
          </button>
        ))}
      </div>
    </Panel>
  );
}

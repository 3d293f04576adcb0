import { useEffect, useState } from 'react';
import { useView } from './store/view';
import { Dialog } from './ui/Dialog';

const KEYS: [string, string][] = [
  ['Home', 'show the whole board'],
  ['+  −', 'nearer, farther'],
  ['arrows', 'move the board'],
  ['B', 'see it from below'],
  ['M', 'measure'],
  ['Backspace', 'remove the last measure'],
  ['U', 'change the unit'],
  ['N', 'next finding'],
  ['Shift N', 'finding before'],
  ['Esc', 'stop measuring, put out the net'],
  ['?', 'this list'],
];

/** Keys that work everywhere but in fields. */
export function Keys({ findings }: { findings: readonly string[] }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const field = (e.target as HTMLElement).closest(
        'input, textarea, [role=dialog], [role=listbox]',
      );
      if (field || e.ctrlKey || e.metaKey || e.altKey) {
        return;
      }
      const view = useView.getState();
      const step = (by: number) => {
        const at = findings.indexOf(view.finding ?? '');
        const to = at < 0 ? 0 : (at + by + findings.length) % findings.length;
        view.selectFinding(findings[to] ?? null);
      };
      const last = view.measures.at(-1);
      if (e.key === '?') setOpen(true);
      else if (e.key === 'b') view.flip();
      else if (e.key === 'm') view.setMeasuring(!view.measuring);
      else if (e.key === 'u') view.cycleUnit();
      else if (e.key === 'n') step(1);
      else if (e.key === 'N') step(-1);
      else if (e.key === 'Backspace' && last) view.removeMeasure(last.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [findings]);
  return (
    <Dialog open={open} onOpenChange={setOpen} title="Keys">
      <dl>
        {KEYS.map(([key, does]) => (
          <div key={key} className="border-edge/60 flex gap-4 border-b py-1">
            <dt className="num w-24">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}

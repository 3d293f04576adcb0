import { useEffect, useState } from 'react';
import type { Job } from './api/client';
import { useView } from './store/view';
import { firstXray } from './table/XrayBar';
import { useSteps } from './ticket/useSteps';
import { Dialog } from './ui/Dialog';

const KEYS: [string, string][] = [
  ['Home', 'show the whole board'],
  ['+  −', 'nearer, farther'],
  ['arrows', 'move the board'],
  ['B', 'see it from below'],
  ['R', 'turn it by a quarter'],
  ['G', 'grid'],
  ['S', 'solid view'],
  ['X', 'x-ray of two films'],
  ['F', 'find a net, part, hole or place'],
  ['M', 'measure'],
  ['Ctrl Z', 'undo the last choice'],
  ['Ctrl Shift Z', 'do it again'],
  ['Backspace', 'remove the last measure'],
  ['U', 'change the unit'],
  ['N', 'next finding, next step'],
  ['Shift N', 'the one before'],
  ['A', 'sign off the finding'],
  ['D', 'at the bench: done, and the next step'],
  [
    'arrows, Space, Enter',
    'where a place is asked for: move the cross, take the place, end the shape',
  ],
  ['Shift click', 'on a film: this film alone'],
  ['Esc', 'stop measuring, put out the net'],
  ['?', 'this list'],
];

/** What has keys of its own: a letter chooses in a list, and must do nothing else. */
const OWN_KEYS =
  'input:not([type=checkbox]), textarea, select, [contenteditable], [role=combobox], [role=slider], [role=spinbutton], [role=dialog], [role=listbox], [role=menu]';

/** Keys that work everywhere but where keys have a meaning of their own. */
export function Keys({
  job,
  findings,
  find,
}: {
  job: Job;
  findings: readonly string[];
  find: () => void;
}) {
  const [open, setOpen] = useState(false);
  const { undo, redo } = useSteps(job);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const field = (e.target as HTMLElement).closest(OWN_KEYS);
      // A field in which nothing is being typed has nothing of its own to undo.
      const busy = field !== null && !field.matches('[data-typing=false]');
      if (!busy && (e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        (e.shiftKey ? redo : undo)();
        return;
      }
      const layer = document.querySelector('[role=dialog], [role=listbox], [role=menu]');
      if (e.key === 'Escape' && !layer && !e.defaultPrevented) {
        useView.getState().escape();
        return;
      }
      if (field || layer || e.ctrlKey || e.metaKey || e.altKey) {
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
      else if (e.key === 'r') view.rotate();
      else if (e.key === 'g') view.toggleGrid();
      else if (e.key === 's') view.toggleSolid();
      else if (e.key === 'x') view.setXray(view.xray ? null : firstXray(job));
      else if (e.key === 'f') {
        e.preventDefault();
        find();
      } else if (e.key === 'm') view.setMeasuring(!view.measuring);
      else if (e.key === 'u') view.cycleUnit();
      else if (e.key === 'n') step(1);
      else if (e.key === 'N') step(-1);
      else if (e.key === 'a' && findings.includes(view.finding ?? '')) {
        e.preventDefault();
        view.sign([view.finding ?? '']);
      } else if (e.key === 'Backspace' && last) view.removeMeasure(last.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [job, findings, find, undo, redo]);
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

import { useState } from 'react';
import { api, type Job, type Kit } from '../api/client';
import { usePartsChange } from '../parts/usePartsChange';
import { Button } from '../ui/Button';
import { moved, said, type Line } from './order';

/** The line under a place of the window; null beside them. */
function lineAt(x: number, y: number): number | null {
  const line = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-line]');
  return line ? Number(line.dataset['line']) : null;
}

/**
 * The lines of the guide in order: dragged, or moved with Alt and the arrow keys; steps of one's own
 * are put in between.
 */
export function GuideOrder({
  job,
  kit,
  onOpen,
}: {
  job: Job;
  kit: Kit;
  onOpen: (step: number) => void;
}) {
  const change = usePartsChange(job.id);
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const [text, setText] = useState('');
  const ticked = new Set(kit.done);
  const lines: Line[] = kit.lines;
  const save = (next: readonly Line[]) =>
    change.make(() => api.guideOrder(job.id, said(kit, next)));
  const move = (from: number, to: number) => {
    if (to >= 0 && to < lines.length && to !== from) save(moved(lines, from, to));
  };
  const add = () => {
    if (text.trim() !== '') {
      save([...lines, { own: text.trim() }]);
      setText('');
    }
  };
  return (
    <>
      {change.error ? (
        <p role="alert" className="text-stop">
          {change.error}
        </p>
      ) : null}
      <ol aria-label="Steps">
        {lines.map((l, i) => {
          const s = typeof l.step === 'number' ? kit.steps[l.step] : undefined;
          const done = s?.places.every((p) => ticked.has(p.designator)) ?? false;
          return (
            <li
              key={s ? `${s.designators} ${s.side}` : `own ${i} ${l.own}`}
              draggable
              data-line={i}
              onDragStart={(e) => {
                e.dataTransfer.effectAllowed = 'move';
                e.dataTransfer.setData('text/plain', String(i));
                setDragged(i);
              }}
              onDragOver={(e) => {
                if (dragged !== null) {
                  e.preventDefault();
                  setOver(i);
                }
              }}
              onDrop={(e) => {
                if (dragged !== null) {
                  e.preventDefault();
                  e.stopPropagation();
                  move(dragged, i);
                }
                setDragged(null);
                setOver(null);
              }}
              onDragEnd={() => {
                setDragged(null);
                setOver(null);
              }}
              onKeyDown={(e) => {
                if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
                  e.preventDefault();
                  move(i, e.key === 'ArrowUp' ? i - 1 : i + 1);
                }
              }}
              className={`flex items-baseline gap-2 border-b ${over === i && dragged !== i ? 'border-sienna border-b-2' : 'border-edge/60'}`}
            >
              <span
                aria-hidden
                data-grip
                className="text-faint -my-1 cursor-grab touch-none px-1 py-2 select-none"
                onPointerDown={(e) => {
                  // A mouse drags the line itself; a finger or pen has only this.
                  if (e.pointerType !== 'mouse') {
                    e.currentTarget.setPointerCapture(e.pointerId);
                    setDragged(i);
                  }
                }}
                onPointerMove={(e) => {
                  if (e.pointerType !== 'mouse' && dragged !== null) {
                    setOver(lineAt(e.clientX, e.clientY) ?? over);
                  }
                }}
                onPointerUp={(e) => {
                  if (e.pointerType !== 'mouse' && dragged !== null) {
                    move(dragged, lineAt(e.clientX, e.clientY) ?? over ?? dragged);
                    setDragged(null);
                    setOver(null);
                  }
                }}
                onPointerCancel={() => {
                  setDragged(null);
                  setOver(null);
                }}
              >
                ⠿
              </span>
              {s ? (
                <button
                  type="button"
                  className="hover:bg-paper flex w-full items-baseline justify-between gap-2 py-1 text-left"
                  onClick={() => onOpen(l.step ?? 0)}
                >
                  <span className="min-w-0">
                    <b className="font-semibold">{s.value}</b> {s.designators}
                    <span className="text-faint block text-[13px]">
                      {[s.footprint, s.number, s.why].filter((w) => w !== '').join(', ')}
                    </span>
                  </span>
                  <span className="num shrink-0 text-right">
                    {done ? <b className="text-good">✓ </b> : null}
                    {s.places.length}
                    <span className="text-faint block text-[13px]">
                      {s.places.length * kit.boards} for {kit.boards}
                    </span>
                  </span>
                </button>
              ) : (
                <>
                  <span className="grow py-1 italic">{l.own}</span>
                  <button
                    type="button"
                    aria-label={`Move up: ${l.own}`}
                    className="text-petrol px-1"
                    onClick={() => move(i, i - 1)}
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    aria-label={`Move down: ${l.own}`}
                    className="text-petrol px-1"
                    onClick={() => move(i, i + 1)}
                  >
                    ↓
                  </button>
                  <button
                    type="button"
                    className="underline decoration-dotted underline-offset-2"
                    onClick={() => save(lines.filter((_, k) => k !== i))}
                  >
                    take away
                  </button>
                </>
              )}
            </li>
          );
        })}
      </ol>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
      >
        <input
          aria-label="A step of your own"
          placeholder="A step of your own: close a bridge, trim leads …"
          maxLength={500}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="border-edge bg-card min-w-0 grow rounded border px-1.5 py-1"
        />
        <Button type="submit" disabled={change.busy || text.trim() === ''}>
          Add
        </Button>
      </form>
      <p className="text-faint mt-1 text-[13px]">
        Drag a line to another place, or press <kbd className="num">Alt ↑</kbd>{' '}
        <kbd className="num">Alt ↓</kbd> on it.{' '}
        <button
          type="button"
          className="underline decoration-dotted underline-offset-2"
          onClick={() => change.make(() => api.guideOrder(job.id, []))}
        >
          Back to the proposed order
        </button>
      </p>
    </>
  );
}

import { useState } from 'react';
import { api, type DeskOrderView } from '../api/client';
import { Toggle } from '../ui/Button';

/** Both sides as the desk read them from what was sent, in place of the light table. */
export function DeskPictures({ order }: { order: DeskOrderView }) {
  const boards = order.reading?.boards ?? [];
  const [name, setName] = useState('');
  const board = boards.find((b) => b.name === name) ?? boards[boards.length - 1];
  if (!board) {
    return null;
  }
  const wide = board.widthMm >= board.heightMm;
  return (
    <section aria-label="As the desk read it" className="flex h-full flex-col p-4">
      <header className="mb-2 flex items-baseline gap-3">
        <h2 className="text-lg font-semibold">As the desk read it</h2>
        <span className="text-faint grow">
          from the bytes of cut {order.cut} alone:{' '}
          <span className="num">
            {board.widthMm.toFixed(2)} × {board.heightMm.toFixed(2)} mm
          </span>
        </span>
        {boards.length > 1
          ? boards.map((b) => (
              <Toggle key={b.name} on={b === board} onClick={() => setName(b.name)}>
                {b.name === 'panel' ? 'Panel' : 'Board'}
              </Toggle>
            ))
          : null}
      </header>
      <div className={`flex min-h-0 grow gap-4 ${wide ? 'flex-col' : ''}`}>
        {board.pictures.map((p) => (
          <figure key={p} className="flex min-h-0 min-w-0 flex-1 flex-col items-center">
            <img
              src={api.deskPicture(order.id, p)}
              alt={`${board.name}, ${p.endsWith('top') ? 'top' : 'bottom'} as the desk read it`}
              className="min-h-0 max-w-full flex-1 object-contain"
            />
            <figcaption className="text-faint">
              {p.endsWith('top') ? 'top' : 'bottom, seen from below'}
            </figcaption>
          </figure>
        ))}
      </div>
    </section>
  );
}

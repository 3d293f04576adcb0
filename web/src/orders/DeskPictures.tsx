import { useState } from 'react';
import { api, type DeskOrderView } from '../api/client';
import { Toggle } from '../ui/Button';
import { named } from './named';

/** Both sides as the desk read them from what was sent, in place of the light table. */
export function DeskPictures({ order }: { order: DeskOrderView }) {
  const boards = order.reading?.boards ?? [];
  const [name, setName] = useState('');
  const [bare, setBare] = useState(false);
  const board = boards.find((b) => b.name === name) ?? boards[boards.length - 1];
  if (!board) {
    return null;
  }
  const wide = board.widthMm >= board.heightMm;
  // A reading from before there were such pictures has none.
  const fitted: string[] = (board.fitted as string[] | null) ?? [];
  const pictures = fitted.length > 0 && !bare ? fitted : board.pictures;
  return (
    <section aria-label="As the desk read it" className="flex h-full flex-col p-4">
      <header className="mb-2 flex items-baseline gap-3">
        <h2 className="text-lg font-semibold">As the desk read it</h2>
        <span className="text-faint grow">
          from the bytes of {named(order.cut).toLowerCase()} alone:{' '}
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
        {fitted.length > 0 ? (
          <Toggle on={!bare} onClick={() => setBare(!bare)}>
            With parts
          </Toggle>
        ) : null}
      </header>
      {pictures === fitted ? (
        <p className="text-faint mb-1">
          The dot is pin 1 as the desk takes it from the tables. A red part lies turned: its pin 1
          on the board is at the ring.
        </p>
      ) : null}
      <div className={`flex min-h-0 grow gap-4 ${wide ? 'flex-col' : ''}`}>
        {pictures.map((p) => (
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

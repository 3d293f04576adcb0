import { useState } from 'react';
import type { DeskReading } from '../api/client';
import { money } from '../parts/words';
import { Button } from '../ui/Button';
import { keepName, lastName } from '../ui/who';

/** Who orders, and the one button that really does. */
export function PlaceForm({
  reading,
  busy,
  onPlace,
  onLeave,
}: {
  reading: DeskReading;
  busy: boolean;
  onPlace: (by: string, note: string) => void;
  onLeave: () => void;
}) {
  const [by, setBy] = useState(lastName());
  const [note, setNote] = useState('');
  const quote = reading.quote;
  if (!quote) {
    return null;
  }
  return (
    <form
      aria-label="Place the order"
      className="border-edge mt-3 flex flex-col gap-1.5 border-t pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        keepName(by);
        onPlace(by, note);
      }}
    >
      <label className="flex items-center justify-between gap-2">
        <span>Ordered by</span>
        <input
          aria-label="Ordered by"
          value={by}
          maxLength={120}
          onChange={(e) => setBy(e.target.value)}
          className="border-edge bg-card w-52 rounded border px-2 py-0.5"
        />
      </label>
      <label className="flex items-center justify-between gap-2">
        <span>Note</span>
        <input
          aria-label="Note for the desk"
          placeholder="for the desk, if you like"
          value={note}
          maxLength={2000}
          onChange={(e) => setNote(e.target.value)}
          className="border-edge bg-card w-52 rounded border px-2 py-0.5"
        />
      </label>
      {reading.questions > 0 ? (
        <p className="text-look">
          An engineer will ask{' '}
          {reading.questions === 1 ? 'a question' : `${reading.questions} questions`} before
          anything is made.
        </p>
      ) : null}
      <Button look="main" type="submit" disabled={busy || by.trim() === ''}>
        Order for {money(quote.total, quote.currency)}
      </Button>
      {by.trim() === '' ? <p className="text-faint">Say who orders first.</p> : null}
      <Button look="quiet" disabled={busy} onClick={onLeave}>
        Leave it, order nothing
      </Button>
    </form>
  );
}

import { useState } from 'react';
import { api, type Handed } from '../api/client';
import { Button } from '../ui/Button';

/** To whom a cut went: what was said so far, and a line for the next. */
export function HandOver({
  job,
  cut,
  handed,
  onSaid,
}: {
  job: number;
  cut: number;
  handed: readonly Handed[];
  onSaid: (all: Handed[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const [error, setError] = useState('');
  const say = () => {
    setError('');
    api
      .hand(job, cut, to, note)
      .then((all) => {
        onSaid(all);
        setOpen(false);
        setTo('');
        setNote('');
      })
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  return (
    <>
      {handed.map((h, i) => (
        <p key={i} data-handed={cut}>
          To <b className="font-semibold">{h.to}</b>,{' '}
          <span className="num">{h.at.replace('T', ' ').replace('Z', ' UTC')}</span>
          {h.note ? <span className="text-faint block">“{h.note}”</span> : null}
        </p>
      ))}
      {open ? (
        <form
          aria-label={`Hand over cut ${cut}`}
          className="mt-1 flex flex-col gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            say();
          }}
        >
          <input
            aria-label="To whom"
            placeholder="to whom"
            value={to}
            maxLength={200}
            onChange={(e) => setTo(e.target.value)}
            className="border-edge bg-card rounded border px-2 py-0.5"
          />
          <input
            aria-label="Note"
            placeholder="a note, if you like"
            value={note}
            maxLength={2000}
            onChange={(e) => setNote(e.target.value)}
            className="border-edge bg-card rounded border px-2 py-0.5"
          />
          {error ? (
            <p role="alert" className="text-stop">
              {error}
            </p>
          ) : null}
          <span className="flex gap-1.5">
            <Button type="submit" disabled={to.trim() === ''}>
              Note it
            </Button>
            <Button look="quiet" onClick={() => setOpen(false)}>
              Leave it
            </Button>
          </span>
        </form>
      ) : (
        <button type="button" className="underline" onClick={() => setOpen(true)}>
          Note to whom it went
        </button>
      )}
    </>
  );
}

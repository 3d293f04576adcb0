import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { refresh } from './refresh';
import { useStale } from './stale';

/** Says what another window did meanwhile, and asks what becomes of the change made here. */
export function StaleDialog({ job }: { job: number }) {
  const { meanwhile, answer } = useStale();
  const queries = useQueryClient();
  useEffect(() => {
    if (meanwhile !== null) {
      // What holds now is shown behind the question.
      refresh(queries, job);
    }
  }, [meanwhile, queries, job]);
  return (
    <Dialog
      open={meanwhile !== null}
      onOpenChange={(open) => !open && answer(false)}
      title="Changed meanwhile in another window"
    >
      <p className="mb-2 font-semibold">{meanwhile}</p>
      <p className="mb-4">
        Your change was made on what was there before, so it was not taken over. What holds now is
        shown behind this.
      </p>
      <div className="flex justify-end gap-2">
        <Button onClick={() => answer(false)}>Leave mine out</Button>
        <Button look="main" onClick={() => answer(true)}>
          Make mine again
        </Button>
      </div>
    </Dialog>
  );
}

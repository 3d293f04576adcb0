import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, type Cut, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { isOlder } from '../cut/ChangedSince';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';

/**
 * After a choice was changed: a new cut, of which the desk is sent what is new in it. `desk` is the
 * cut that the desk has, `newest` the last one made.
 */
export function Correction({
  job,
  desk,
  newest,
  busy,
  onSend,
}: {
  job: Job;
  desk: number;
  newest: Cut;
  busy: boolean;
  onSend: (cut: number) => void;
}) {
  const queries = useQueryClient();
  const making = useWork();
  const changed = isOlder(newest, job);
  const box = useRef<HTMLDivElement>(null);
  // The button that changed it may stand far below.
  useEffect(() => {
    if (changed) {
      box.current?.scrollIntoView({ block: 'center' });
    }
  }, [changed]);
  const make = () =>
    making.run(
      () => api.work(job.id, 'cut'),
      () => {
        void queries.invalidateQueries({ queryKey: ['cuts', job.id] });
        void queries.invalidateQueries({ queryKey: ['job', job.id] });
        onSend(newest.number + 1);
      },
    );
  return (
    <>
      {changed || newest.number > desk ? (
        <div ref={box} role="status" className="border-look bg-card my-3 rounded border-l-4 p-3">
          <p className="font-semibold">
            {changed ? `Changed since cut ${newest.number}` : `Cut ${newest.number} is newer`}
          </p>
          <p>The desk has cut {desk}. Of a new cut it is sent only the parcels that changed.</p>
          <Button
            look="main"
            className="mt-2"
            disabled={busy || making.state !== null}
            onClick={changed ? make : () => onSend(newest.number)}
          >
            {changed
              ? `Make cut ${newest.number + 1} and send the changes`
              : `Send the changes of cut ${newest.number}`}
          </Button>
        </div>
      ) : null}
      <Working work={making} />
    </>
  );
}

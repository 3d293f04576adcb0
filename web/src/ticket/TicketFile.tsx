import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, type Job } from '../api/client';
import { useWork } from '../api/tasks';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';
import { useNotice } from './notice';
import { refresh } from './refresh';

/** The ticket as a file: out, and in from another job or a cut. */
export function TicketFile({ job }: { job: Job }) {
  const queries = useQueryClient();
  const work = useWork();
  const input = useRef<HTMLInputElement>(null);
  const take = (file: File) =>
    work.run(
      async () => api.takeTicket(job.id, await file.text()),
      () => {
        useNotice.getState().say(`Taken in: ${file.name}`);
        refresh(queries, job.id);
      },
    );
  return (
    <section aria-label="Ticket">
      <h2 className="mt-5 mb-1 font-semibold">Ticket</h2>
      <p className="text-faint mb-1.5 text-[13px]">
        Everything chosen for this job in one file: to keep, to go on with elsewhere, to make the
        same again.
      </p>
      <div className="flex gap-1.5">
        <a
          className="border-edge bg-card hover:border-faint rounded border px-2.5 py-1"
          href={`/api/jobs/${job.id}/ticket.json`}
          download="ticket.json"
        >
          Export
        </a>
        <Button onClick={() => input.current?.click()}>Take one in …</Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="Ticket to take in"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) {
              take(file);
            }
          }}
        />
      </div>
      <Working work={work} />
    </section>
  );
}

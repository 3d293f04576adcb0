import { useState } from 'react';
import { Dialog } from './Dialog';

/** A zip for the maintainer: it is downloaded, and sent nowhere. */
export function ReportProblem({ job }: { job: number }) {
  const [open, setOpen] = useState(false);
  const [files, setFiles] = useState(false);
  return (
    <>
      <button
        type="button"
        className="hover:text-ink underline decoration-dotted underline-offset-2"
        onClick={() => setOpen(true)}
      >
        Report a problem
      </button>
      <Dialog open={open} onOpenChange={setOpen} title="Report a problem">
        <p className="mb-2">
          This makes a zip with the log, the versions of Last Cut and of Java, and the ticket of
          this job. Send it to whoever maintains your Last Cut. Nothing is sent by itself.
        </p>
        <label className="mb-3 flex items-center gap-2">
          <input
            type="checkbox"
            checked={files}
            onInput={(e) => e.stopPropagation()}
            onChange={(e) => setFiles(e.target.checked)}
            className="accent-petrol"
          />
          with the board’s files
        </label>
        <a
          className="underline"
          download
          href={`/api/jobs/${job}/problem-report.zip${files ? '?files=true' : ''}`}
          onClick={() => setOpen(false)}
        >
          Download the report
        </a>
      </Dialog>
    </>
  );
}

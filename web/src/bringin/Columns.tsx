import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Select } from '../ui/Select';
import { columnWords } from './columns';
import { leaf, type JobFile } from './roles';

/** A table's columns with what each holds, to be put right. */
function ColumnsForm({ job, file, done }: { job: Job; file: JobFile; done: () => void }) {
  const queries = useQueryClient();
  const table = useQuery({
    queryKey: ['table', job.id, job.version, file.path],
    queryFn: () => api.table(job.id, file.path),
  });
  const [changed, setChanged] = useState<Readonly<Record<number, string>>>({});
  const choose = useMutation({
    mutationFn: (kinds: readonly string[] | null) => api.setColumns(job.id, file.path, kinds),
    onSuccess: (now) => {
      queries.setQueryData(['job', job.id], now);
      done();
    },
  });
  const root = useRef<HTMLDivElement>(null);
  const there = table.data !== undefined;
  useEffect(() => {
    // The keyboard goes to the first column once the table is there.
    root.current?.querySelector<HTMLElement>('button')?.focus();
  }, [there]);
  if (table.error) {
    return <p role="alert">{table.error.message}</p>;
  }
  if (!table.data) {
    return <p className="text-faint">Reading the table …</p>;
  }
  const { columns, kinds, chosen } = table.data;
  const now = columns.map((c, i) => changed[i] ?? c.kind);
  const rows = Math.max(...columns.map((c) => c.cells.length));
  const lacks = now.includes('designator') ? '' : 'Say which column lists the designators.';
  return (
    <>
      <p className="text-faint mb-2">
        Say what each column holds; the first rows of the table are below it. The rest of the file
        is read in the same way.
      </p>
      <div ref={root} className="border-edge overflow-x-auto rounded border">
        <table className="text-[13px]">
          <thead>
            <tr>
              {columns.map((c, i) => (
                <th key={i} scope="col" className="border-edge border-b px-2 py-1.5 text-left">
                  <span className="text-faint block font-normal">
                    {c.heading || `column ${i + 1}`}
                  </span>
                  <Select
                    label={`What ${c.heading || `column ${i + 1}`} holds`}
                    className={`mt-1 w-36 ${now[i] === 'other' ? 'text-faint' : ''}`}
                    value={now[i] ?? 'other'}
                    onValueChange={(kind) => setChanged({ ...changed, [i]: kind })}
                    options={kinds.map((k) => ({ value: k, text: columnWords(k) }))}
                  />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: rows }, (_, r) => (
              <tr key={r}>
                {columns.map((c, i) => (
                  <td key={i} className="num max-w-56 truncate px-2 py-0.5">
                    {c.cells[r] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {choose.error ? (
        <p role="alert" className="text-stop mt-2">
          {choose.error.message}
        </p>
      ) : null}
      <div className="mt-3 flex items-center justify-end gap-2">
        <span className="text-look grow">{lacks}</span>
        {chosen ? <Button onClick={() => choose.mutate(null)}>Take back</Button> : null}
        <Button onClick={done}>Cancel</Button>
        <Button
          look="main"
          disabled={lacks !== '' || choose.isPending}
          onClick={() => choose.mutate(now)}
        >
          Read it with these columns
        </Button>
      </div>
    </>
  );
}

/** A button that opens a table's columns. */
export function Columns({ job, file, text }: { job: Job; file: JobFile; text: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)} aria-label={`${text} of ${leaf(file.path)}`}>
        {text}
      </Button>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title={`What the columns of ${leaf(file.path)} hold`}
        wide
      >
        {open ? <ColumnsForm job={job} file={file} done={() => setOpen(false)} /> : null}
      </Dialog>
    </>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, type Job, type Outputs } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';

/** Makes the outputs when a station that shows them is opened and they are not there yet. */
export function MakeOutputs({ job, outputs }: { job: Job; outputs: Outputs | null }) {
  const queries = useQueryClient();
  const work = useWork();
  const { run } = work;
  const asked = useRef('');
  const key = `${job.id} ${job.version}`;
  useEffect(() => {
    if (job.sheetId && outputs && !outputs.made && asked.current !== key) {
      asked.current = key;
      run(
        () => api.work(job.id, 'outputs'),
        () => void queries.invalidateQueries({ queryKey: ['outputs', job.id] }),
      );
    }
  }, [job.id, job.sheetId, key, outputs, queries, run]);
  if (!job.sheetId) {
    return (
      <>
        <p>Outputs are made for a shop.</p>
        <Button look="main" className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a shop
        </Button>
      </>
    );
  }
  return <Working work={work} />;
}

/** Files to take away, each with its size. */
export function FileList({ job, outputs, folder }: { job: Job; outputs: Outputs; folder: string }) {
  const files = outputs.files.filter((f) => f.path.startsWith(folder));
  return (
    <ul aria-label="Output files">
      {files.map((f) => (
        <li key={f.path} className="border-edge/60 flex justify-between gap-2 border-b py-1">
          <a
            className="min-w-0 underline decoration-dotted underline-offset-2"
            href={`/api/jobs/${job.id}/outputs/file?path=${encodeURIComponent(f.path)}`}
          >
            {f.path}
            <span className="text-faint block text-[12.5px]">{f.purpose}</span>
          </a>
          <span className="num shrink-0">{(f.bytes / 1024).toFixed(1)} kB</span>
        </li>
      ))}
    </ul>
  );
}

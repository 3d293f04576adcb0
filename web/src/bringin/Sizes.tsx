import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { leaf, type JobFile } from './roles';

/** "T2", "before any tool" */
function toolWords(tool: string): string {
  return tool === 'no-tool' ? 'before any tool' : tool;
}

/** The tools of a drill file whose size no file states, to be typed. */
export function Sizes({ job, file }: { job: Job; file: JobFile }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Readonly<Record<string, number | null>>>({});
  const choose = useMutation({
    mutationFn: (sizes: Readonly<Record<string, number>> | null) =>
      api.setToolSizes(job.id, file.path, sizes),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const told = file.tools.every((t) => t.told);
  const size = (tool: string, mm: number) => (tool in typed ? (typed[tool] ?? null) : mm);
  const sizes = file.tools.map((t) => [t.tool, size(t.tool, t.diameterMm)] as const);
  const lacks = sizes.some(([, mm]) => mm === null || mm < 0.01 || mm > 50);
  const changed = file.tools.some((t) => size(t.tool, t.diameterMm) !== t.diameterMm);
  return (
    <div className="mt-1.5">
      <table aria-label={`Tools of ${leaf(file.path)}`} className="text-[13px]">
        <thead>
          <tr className="text-faint text-left">
            <th className="pr-4 font-normal">Tool</th>
            <th className="pr-4 text-right font-normal">Holes</th>
            <th className="font-normal">Diameter{told ? '' : ', proposed by the pads'}</th>
          </tr>
        </thead>
        <tbody>
          {file.tools.map((t) => (
            <tr key={t.tool}>
              <td className="num pr-4">{toolWords(t.tool)}</td>
              <td className="num pr-4 text-right">{t.holes}</td>
              <td className="py-0.5">
                <NumberField
                  label={`Diameter of ${toolWords(t.tool)} in mm`}
                  value={size(t.tool, t.diameterMm)}
                  onCommit={(mm) => setTyped({ ...typed, [t.tool]: mm })}
                />{' '}
                mm
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-1.5 flex items-center gap-2">
        {told && !changed ? null : (
          <Button
            disabled={lacks || choose.isPending}
            onClick={() =>
              choose.mutate(Object.fromEntries(sizes.map(([tool, mm]) => [tool, mm ?? 0])))
            }
          >
            These are the sizes
          </Button>
        )}
        {told ? (
          <Button look="quiet" className="underline" onClick={() => choose.mutate(null)}>
            take back
          </Button>
        ) : null}
        {lacks ? <span className="text-look">From 0.01 to 50 mm.</span> : null}
      </div>
      {choose.error ? (
        <p role="alert" className="text-stop mt-1">
          {choose.error.message}
        </p>
      ) : null}
    </div>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type DeskReading, type Job, type TaskState } from '../api/client';
import { OptionRow, type Option } from '../shop/OptionRow';
import { refresh } from '../ticket/refresh';
import { NumberField } from '../ui/NumberField';

/** The values that the desk can be told without new files, and without another check. */
function offered(o: Option): Option {
  const values = o.values.filter(
    (v) => v.value === o.chosen || (v.limits.length === 0 && v.excluded.length === 0),
  );
  return { ...o, values };
}

/** How many, in which colour, by which carriage: changed at the desk, with its own prices. */
export function DeskOptions({
  job,
  cut,
  reading,
  busy,
  run,
}: {
  job: Job;
  cut: number;
  reading: DeskReading;
  busy: boolean;
  run: (start: () => Promise<TaskState>) => void;
}) {
  const queries = useQueryClient();
  const limits = useQuery({
    queryKey: ['limits', job.id, job.stamp],
    queryFn: () => api.limits(job.id),
    placeholderData: (before) => before,
  });
  const options = reading.options
    .filter((o) => o.freeOfFiles)
    .map(offered)
    .filter((o) => o.values.length > 1);
  if (!limits.data || reading.quantity === 0) {
    return null;
  }
  const chosen = limits.data.order;
  const change = (of: Record<string, string>, quantity?: number) =>
    run(async () => {
      await api.setOrder(job.id, { ...chosen, ...of }, quantity);
      refresh(queries, job.id);
      return api.sendCut(job.id, cut);
    });
  return (
    <section aria-label="Options at the desk">
      <h3 className="mt-3 font-semibold">
        Options <span className="text-faint font-normal">no file depends on these</span>
      </h3>
      <div className="border-edge/60 flex items-center justify-between gap-2 border-b py-0.5">
        <span className="text-faint">Boards</span>
        <NumberField
          key={reading.quantity}
          label="Boards ordered"
          value={reading.quantity}
          onCommit={(n) => change({}, Math.max(1, Math.round(n ?? 1)))}
        />
      </div>
      {options.map((o) => (
        <OptionRow
          key={o.id}
          option={o}
          currency={reading.quote?.currency ?? ''}
          disabled={busy}
          onChoose={(v) => change({ [o.id]: v })}
        />
      ))}
    </section>
  );
}

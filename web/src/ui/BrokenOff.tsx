import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { shortTime } from '../times';
import { Button } from './Button';

/** What broke off when the application stopped, until it was read. */
export function BrokenOff() {
  const queries = useQueryClient();
  const key = ['broken-off'];
  const broken = useQuery({ queryKey: key, queryFn: api.brokenOff, staleTime: Infinity });
  if (!broken.data || broken.data.length === 0) {
    return null;
  }
  return (
    <div
      role="alert"
      aria-label="What broke off"
      className="border-look bg-card fixed bottom-4 left-1/2 z-20 w-[640px] max-w-[90vw] -translate-x-1/2 rounded border border-l-4 p-3 shadow-lg"
    >
      <ul className="max-h-40 overflow-auto">
        {broken.data.map((b) => (
          <li key={b.id} className="flex items-baseline justify-between gap-3 py-0.5">
            <span>
              {b.says} <span className="num text-faint">({shortTime(b.at)})</span>
            </span>
            <Button
              onClick={() =>
                void api.readBroken(b.id).then((all) => queries.setQueryData(key, all))
              }
            >
              Read it
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

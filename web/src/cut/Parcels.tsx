import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';

/** What the shop takes of a cut one by one: each parcel is one upload. */
export function Parcels({ job, cut }: { job: number; cut: number }) {
  const parcels = useQuery({
    queryKey: ['parcels', job, cut],
    queryFn: () => api.parcels(job, cut),
    staleTime: Infinity,
  });
  if (!parcels.data || parcels.data.length === 0) {
    return null;
  }
  return (
    <section aria-label={`Parcels of cut ${cut}`} className="mt-1">
      <p className="text-faint">The shop takes it in parcels, one upload each:</p>
      <ul>
        {parcels.data.map((p) => (
          <li key={p.file} className="flex items-baseline justify-between gap-3">
            <a
              className="underline"
              href={`/api/jobs/${job}/cuts/${cut}/parcels/${p.file}`}
              download={p.file}
            >
              {p.file}
            </a>
            <span className="text-faint min-w-0 flex-1 text-right text-[13px]">{p.purpose}</span>
            <span className="num text-faint shrink-0 text-[13px]">
              {(p.bytes / 1024).toFixed(1)} kB
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

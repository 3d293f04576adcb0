import type { Job } from '../api/client';

/** Parts that are wanted on the board and that nobody fits, each with the reason. */
export function Gaps({ job }: { job: Job }) {
  const gaps = job.built.nobody;
  if (gaps.length === 0) return null;
  return (
    <div
      role="note"
      className="border-look my-2 rounded border px-2.5 py-1.5"
      data-gaps={gaps.length}
    >
      <p className="text-look font-semibold">
        {gaps.length} {gaps.length === 1 ? 'part is' : 'parts are'} fitted by nobody
      </p>
      <ul>
        {gaps.map((g) => (
          <li key={g.designator}>
            <span className="num">{g.designator}</span>: {g.why}
          </li>
        ))}
      </ul>
      <p className="text-faint">Solder them by hand, or choose at Parts what the shop can fit.</p>
    </div>
  );
}

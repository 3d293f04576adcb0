import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Heights, type Job, type OnMill } from '../api/client';
import { useView } from '../store/view';
import { length } from '../units';
import { Button } from '../ui/Button';
import { Fact } from '../ui/Panel';
import { Select } from '../ui/Select';
import { useMill } from './scene';
import { refresh } from '../ticket/refresh';

/** A surface probed over the board, and isolation that follows it. */
export function LevelTab({ job, mill }: { job: Job; mill: OnMill }) {
  const queries = useQueryClient();
  const unit = useView((s) => s.unit);
  const show = useMill((s) => s.show);
  const sides = mill.setup.sides?.length ? mill.setup.sides : mill.sides;
  const [picked, setPicked] = useState('');
  const side = sides.includes(picked) ? picked : (sides[0] ?? 'top');
  const [text, setText] = useState('');
  const [error, setError] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const heights = useQuery({
    queryKey: ['heights', job.id, job.stamp, side],
    queryFn: () => api.heights(job.id, side),
  });
  const data = heights.data;
  useEffect(() => {
    show({ heights: data ?? null });
    return () => show({ heights: null });
  }, [data, show]);
  const take = (work: Promise<Heights>) => {
    setError('');
    work
      .then((h) => {
        queries.setQueryData(['heights', job.id, job.stamp, side], h);
        setText('');
        refresh(queries, job.id);
      })
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  return (
    <div aria-label="Levelling">
      <p className="mb-2">
        A stock is never flat. Probe it where it lies, and the isolation follows its surface; holes
        and contour need none of it.
      </p>
      {sides.length > 1 ? (
        <div className="mb-2 flex items-center justify-between">
          <span className="text-faint">Side</span>
          <Select
            label="Side to level"
            className="w-28"
            value={side}
            options={sides.map((s) => ({ value: s, text: s }))}
            onValueChange={setPicked}
          />
        </div>
      ) : null}
      {data ? (
        <>
          <Fact name="Points">
            {data.columns} × {data.rows} = {data.points}
          </Fact>
          <Fact name="Probing takes about">{Math.ceil(data.minutes)} min</Fact>
          {data.present ? (
            <>
              <Fact name="Lowest, blue">{length(data.lowest, unit)}</Fact>
              <Fact name="Highest, red">{length(data.highest, unit)}</Fact>
              <p className="text-good mt-2 font-semibold">
                ✓ The isolation of the {side} follows this surface.
              </p>
            </>
          ) : (
            <p className="mt-2">The {side} was not probed yet.</p>
          )}
          {data.problems.length > 0 ? (
            <ul aria-label="Problems with the points" className="mt-2">
              {data.problems.map((p) => (
                <li key={p} className="border-look/60 mb-1 border-l-2 pl-2">
                  {p}
                </li>
              ))}
            </ul>
          ) : null}
          <div className="mt-3 flex flex-wrap gap-2">
            <a
              className="bg-card border-edge hover:border-faint rounded border px-2.5 py-1"
              href={`/api/jobs/${job.id}/mill/heights/probe.nc`}
            >
              Probing program
            </a>
            {data.present ? (
              <>
                <a
                  className="bg-card border-edge hover:border-faint rounded border px-2.5 py-1"
                  href={`/api/jobs/${job.id}/mill/heights/${side}/points.txt`}
                >
                  Points as text
                </a>
                <Button onClick={() => take(api.dropHeights(job.id, side))}>Forget them</Button>
              </>
            ) : null}
          </div>
          <h2 className="mt-4 mb-1 font-semibold">Measured points</h2>
          <p className="text-faint mb-1">
            Lines of x, y and z in mm. Or probe on the bench mill, at Run.
          </p>
          <textarea
            aria-label="Measured points"
            rows={6}
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="border-edge bg-card num w-full rounded border p-2 text-[13px]"
            placeholder={'2.00 2.00 0.013\n10.00 2.00 -0.021'}
          />
          <div className="mt-1 flex gap-2">
            <Button
              look="main"
              disabled={text.trim() === ''}
              onClick={() => take(api.keepHeights(job.id, side, text))}
            >
              Take these points
            </Button>
            <Button onClick={() => file.current?.click()}>From a file</Button>
            <input
              ref={file}
              type="file"
              aria-label="File of measured points"
              className="hidden"
              onChange={(e) => {
                const f = e.target.files?.[0];
                if (f) {
                  void f.text().then((t) => take(api.keepHeights(job.id, side, t)));
                }
                e.target.value = '';
              }}
            />
          </div>
          {error ? (
            <p role="alert" className="border-stop text-stop mt-2 border-l-4 pl-2">
              {error}
            </p>
          ) : null}
        </>
      ) : null}
    </div>
  );
}

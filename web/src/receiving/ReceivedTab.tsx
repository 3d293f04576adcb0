import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type CheckItem, type Job } from '../api/client';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { Slider } from '../ui/Slider';
import { LayPhoto } from './LayPhoto';
import { readPhoto, usePhoto } from './usePhoto';

/** Boards that came: a photograph under the films, and a checklist with its verdict. */
export function ReceivedTab({ job }: { job: Job }) {
  return (
    <>
      <PhotoBar job={job} />
      <CheckOfCut job={job} />
    </>
  );
}

function PhotoBar({ job }: { job: Job }) {
  const photo = usePhoto();
  const [laying, setLaying] = useState(false);
  const [error, setError] = useState('');
  const take = (file: File | undefined) => {
    setError('');
    if (file) {
      readPhoto(file)
        .then((image) => {
          photo.take(image, file.name);
          setLaying(true);
        })
        .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
    }
  };
  return (
    <section aria-label="Photograph" className="border-edge mb-4 rounded border p-2.5">
      <p className="text-faint mb-1.5">
        A photograph or scan of the board, laid under the films, shows a wrong side, a missing track
        or a shifted mask. It stays in this window.
      </p>
      <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol inline-block cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
        {photo.image ? 'Take another picture …' : 'Choose a picture …'}
        <input
          type="file"
          aria-label="Photograph of the board"
          accept="image/*"
          className="sr-only"
          onChange={(e) => {
            take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
      {error ? (
        <p role="alert" className="text-stop mt-1.5">
          {error}
        </p>
      ) : null}
      {photo.image && photo.toBoard ? (
        <div className="mt-2">
          <p>
            {photo.name} lies on the board; the worst place is {photo.worstMm.toFixed(2)} mm off.
          </p>
          <div className="flex items-center gap-2">
            <span>films</span>
            <Slider
              label="Between films and photograph"
              value={photo.fade}
              min={0}
              max={1}
              step={0.05}
              className="grow"
              onValueChange={photo.setFade}
            />
            <span>photograph</span>
          </div>
          <label className="mt-1 flex items-baseline gap-2">
            <input
              type="checkbox"
              checked={photo.withParts}
              onChange={(e) => photo.setWithParts(e.target.checked)}
            />
            with the parts of the placement over it, for an assembled board
          </label>
        </div>
      ) : null}
      {photo.image ? (
        <div className="mt-2 flex gap-2">
          <Button onClick={() => setLaying(true)}>
            {photo.toBoard ? 'Lay it anew' : 'Lay it down'}
          </Button>
          <Button onClick={photo.drop}>Take it away</Button>
        </div>
      ) : null}
      {laying ? <LayPhoto job={job} onClose={() => setLaying(false)} /> : null}
    </section>
  );
}

const VERDICT = { good: 'text-good', bad: 'text-stop', open: 'text-look' } as const;

function CheckOfCut({ job }: { job: Job }) {
  const queries = useQueryClient();
  const cuts = useQuery({ queryKey: ['cuts', job.id], queryFn: () => api.cuts(job.id) });
  const [chosen, setChosen] = useState(0);
  const [error, setError] = useState('');
  const number = chosen || (cuts.data?.[0]?.number ?? 0);
  const key = ['inspection', job.id, number];
  const inspection = useQuery({
    queryKey: key,
    queryFn: () => api.inspection(job.id, number),
    enabled: number > 0,
  });
  const found = (item: CheckItem, answer: { measured?: number | null; good?: boolean }) => {
    setError('');
    api
      .found(job.id, number, { item: item.id, note: item.note, ...answer })
      .then((next) => queries.setQueryData(key, next))
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  if (cuts.data?.length === 0) {
    return (
      <p className="text-faint">
        No cut was made yet. The checklist of what comes is made of the cut it was ordered by.
      </p>
    );
  }
  const i = inspection.data;
  return (
    <section aria-label="What came">
      <div className="mb-1.5 flex items-center justify-between gap-2">
        <h2 className="font-semibold">Ordered by</h2>
        <Select
          label="Cut"
          value={String(number)}
          onValueChange={(v) => setChosen(Number(v))}
          options={(cuts.data ?? []).map((c) => ({
            value: String(c.number),
            text: `cut ${c.number}, ${c.created.slice(0, 10)}`,
          }))}
        />
      </div>
      {error || inspection.error ? (
        <p role="alert" className="text-stop">
          {error || inspection.error?.message}
        </p>
      ) : null}
      {i ? (
        <>
          <p
            role="status"
            data-verdict={i.verdict}
            className={`mb-1.5 font-semibold ${VERDICT[i.verdict as keyof typeof VERDICT]}`}
          >
            {i.words}
          </p>
          <ul aria-label="Checklist">
            {i.items.map((item) => (
              <Item key={item.id} item={item} onFound={(a) => found(item, a)} />
            ))}
          </ul>
        </>
      ) : null}
    </section>
  );
}

function Item({
  item,
  onFound,
}: {
  item: CheckItem;
  onFound: (answer: { measured?: number | null; good?: boolean }) => void;
}) {
  const lookAt = useView((s) => s.lookAt);
  const { x, y, right } = item;
  const mark =
    right === true ? (
      <b className="text-good">✓ right</b>
    ) : right === false ? (
      <b className="text-stop">× wrong</b>
    ) : (
      <span className="text-faint">open</span>
    );
  return (
    <li data-item={item.id} className="border-edge/60 border-b py-1">
      <div className="flex justify-between gap-2">
        {typeof x === 'number' && typeof y === 'number' ? (
          <button
            type="button"
            className="text-left underline decoration-dotted underline-offset-2"
            onClick={() => lookAt({ key: item.id, x, y, span: 8e6 })}
          >
            {item.what}
          </button>
        ) : (
          <span>{item.what}</span>
        )}
        <span className="shrink-0">{mark}</span>
      </div>
      {typeof item.expected === 'number' ? (
        <div className="flex items-center justify-end gap-1.5">
          <span className="text-faint num">
            {Number(item.expected.toFixed(3))}
            {item.tolerance > 0 ? ` ± ${Number(item.tolerance.toFixed(3))}` : ''} {item.unit}
          </span>
          <NumberField
            label={item.what}
            value={item.measured ?? null}
            onCommit={(n) => onFound({ measured: n })}
          />
        </div>
      ) : (
        <div className="flex justify-end gap-2">
          <Button
            look="quiet"
            aria-pressed={right === true}
            onClick={() => onFound({ good: true })}
          >
            Right
          </Button>
          <Button
            look="quiet"
            aria-pressed={right === false}
            onClick={() => onFound({ good: false })}
          >
            Wrong
          </Button>
        </div>
      )}
    </li>
  );
}

import { useRef, useState } from 'react';
import { api, type Verified } from '../api/client';
import { Button } from '../ui/Button';

/** Any zip against the manifest in it, and against the cuts that are kept here. */
export function VerifyZip() {
  const field = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  const [found, setFound] = useState<Verified | null>(null);
  const [error, setError] = useState('');
  const hold = (file: File | undefined) => {
    if (!file) {
      return;
    }
    setName(file.name);
    setFound(null);
    setError('');
    api
      .verify(file)
      .then(setFound)
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  return (
    <section aria-label="Is a zip as it was handed over?">
      <h2 className="mt-4 mb-1 font-semibold">Is a zip as it was handed over?</h2>
      <div
        data-verify
        className="border-edge flex items-center justify-between gap-2 rounded border border-dashed p-2"
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => {
          e.preventDefault();
          hold(e.dataTransfer.files[0]);
        }}
      >
        <span className="text-faint">Drop any cut here, from anywhere.</span>
        <input
          ref={field}
          type="file"
          accept=".zip"
          className="hidden"
          onChange={(e) => hold(e.target.files?.[0])}
        />
        <Button onClick={() => field.current?.click()}>Choose …</Button>
      </div>
      {error ? (
        <p role="alert" className="text-stop mt-1">
          {error}
        </p>
      ) : null}
      {found ? (
        <div role="status" className="mt-1.5" data-whole={found.whole}>
          <p className={found.whole ? 'text-good' : 'text-stop'}>
            {found.whole
              ? `✓ ${name}: all ${found.files} files are as the manifest of cut ${found.number} of ${found.job} says.`
              : `× ${name} is not as it was handed over.`}
          </p>
          {found.here ? <p>{found.here}</p> : null}
          <ul>
            {found.faults.map((f, i) => (
              <li key={i} className="border-edge/60 border-b py-0.5">
                {f.says}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
    </section>
  );
}

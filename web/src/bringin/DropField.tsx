import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Circuit } from '../api/client';
import { useWork } from '../api/tasks';
import { go } from '../router';
import { NewAdapter } from '../start/NewAdapter';
import { NewCircuit } from '../start/NewCircuit';
import { useView } from '../store/view';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';
import { collect, type Dropped } from './dropped';

/**
 * A field that takes a zip, a folder or loose files: for a new job, or for the next revision of one.
 */
export function DropField({
  tall,
  again = null,
  circuitOf = null,
}: {
  tall: boolean;
  again?: number | null;
  /** The name of a job whose circuit can be typed anew; null for others. */
  circuitOf?: string | null;
}) {
  const queries = useQueryClient();
  const work = useWork();
  const [over, setOver] = useState(false);
  const bringIn = (files: Dropped[]) => {
    if (files.length === 0) {
      return;
    }
    work.run(
      () => api.bringIn(files, again),
      (done) => {
        if (again !== null) {
          void queries.invalidateQueries({ queryKey: ['job', again] });
          useView.getState().setShowChanges(true);
          go({ job: again, station: 'bring-in' });
          return;
        }
        void queries.invalidateQueries({ queryKey: ['jobs'] });
        const id = Number(done.result);
        // Whatever is in doubt is asked first; a board that is not looks after itself.
        void queries
          .fetchQuery({ queryKey: ['job', id], queryFn: () => api.job(id) })
          .then((job) =>
            go({ job: id, station: job.files.some((f) => f.doubt) ? 'bring-in' : 'look-over' }),
          );
      },
    );
  };
  const picked = (list: FileList | null) =>
    bringIn(
      [...(list ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file })),
    );
  const [circuit, setCircuit] = useState<Circuit | null>(null);
  const [typing, setTyping] = useState<'circuit' | 'adapter' | null>(null);
  const begin = (files: Dropped[]) => {
    setTyping(null);
    bringIn(files);
  };
  return (
    <div>
      {typing === 'circuit' && circuit && circuitOf !== null ? (
        <NewCircuit
          of={{ name: circuitOf, circuit }}
          onClose={() => setTyping(null)}
          onBegin={begin}
        />
      ) : null}
      {typing === 'circuit' && circuitOf === null ? (
        <NewCircuit onClose={() => setTyping(null)} onBegin={begin} />
      ) : null}
      {typing === 'adapter' ? <NewAdapter onClose={() => setTyping(null)} onBegin={begin} /> : null}
      <div
        data-over={over}
        data-again={again ?? undefined}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          void collect(e.dataTransfer).then(bringIn);
        }}
        className={`border-faint/60 data-[over=true]:border-sienna data-[over=true]:bg-card flex flex-col items-center justify-center gap-2 rounded-md border-2 border-dashed px-4 text-center ${tall ? 'min-h-60' : 'py-4'}`}
      >
        <p className={tall ? 'text-lg font-semibold' : 'font-semibold'}>
          {again === null ? 'Drop the files here' : 'Drop the newer files here'}
        </p>
        <p className="text-faint">
          A zip, a folder, or the loose Gerber, drill, netlist, parts and placement files.
        </p>
        <div className="flex gap-2">
          <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
            Choose files
            <input
              type="file"
              multiple
              aria-label="Choose files"
              className="sr-only"
              onChange={(e) => picked(e.target.files)}
            />
          </label>
          <label className="border-edge bg-card hover:border-faint focus-within:outline-petrol cursor-pointer rounded border px-2.5 py-1 focus-within:outline-2">
            Choose a folder
            <input
              type="file"
              aria-label="Choose a folder"
              className="sr-only"
              ref={(input) => input?.setAttribute('webkitdirectory', '')}
              onChange={(e) => picked(e.target.files)}
            />
          </label>
        </div>
        {again !== null && circuitOf !== null ? (
          <Button
            onClick={() =>
              void api.circuit(again).then((c) => {
                setCircuit(c);
                setTyping('circuit');
              })
            }
          >
            Change the circuit
          </Button>
        ) : null}
        {again === null ? (
          <p className="text-faint">
            No files?{' '}
            <button
              type="button"
              className="text-ink underline"
              onClick={() => setTyping('circuit')}
            >
              Type a circuit for strip board
            </button>{' '}
            or make an{' '}
            <button
              type="button"
              className="text-ink underline"
              onClick={() => setTyping('adapter')}
            >
              adapter for a part
            </button>
            .
          </p>
        ) : null}
      </div>
      <Working work={work} />
    </div>
  );
}

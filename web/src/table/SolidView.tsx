import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Job } from '../api/client';
import { some } from '../placement/some';
import { Select } from '../ui/Select';
import { unpack } from './layers';
import { holeMesh } from './Renderer';
import { showSolid } from './solidScene';
import { pictureKey, useLayers } from './useLayers';

const MASKS = [
  { value: '#2f5d47', text: 'green mask' },
  { value: '#2b2a2d', text: 'black mask' },
  { value: '#28466f', text: 'blue mask' },
  { value: '#7b2626', text: 'red mask' },
  { value: '#e9e6dc', text: 'white mask' },
  { value: '#c89b2b', text: 'yellow mask' },
];

const FINISHES = [
  { value: '#d8c48a', text: 'gold' },
  { value: '#c9ccd0', text: 'tin' },
  { value: '#c4835a', text: 'bare copper' },
];

/** The board as it will look, turned by dragging. */
export default function SolidView({ job }: { job: Job }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [mask, setMask] = useState('#2f5d47');
  const [finish, setFinish] = useState('#d8c48a');
  const [bodies, setBodies] = useState(true);
  const [failure, setFailure] = useState('');
  const { meshes, ready } = useLayers(job);
  const key = pictureKey(job);
  const solid = useQuery({
    queryKey: ['solid', job.id, key, job.version],
    queryFn: () => api.solid(job.id),
  });
  const surface = useQuery({
    queryKey: ['surface', job.id, key],
    queryFn: async () =>
      unpack(await api.surface(job.id), job.board.minX, job.board.minY, {
        error: 4,
        mask: false,
      }),
    staleTime: Infinity,
  });
  useEffect(() => {
    if (!canvas.current || !ready || !solid.data || !surface.data) {
      return undefined;
    }
    try {
      return showSolid(canvas.current, {
        solid: solid.data,
        surface: surface.data,
        layers: new Map([...meshes].map(([role, mesh]) => [role, mesh.fine?.() ?? mesh])),
        holes: holeMesh(job.holes, job.board.minX, job.board.minY),
        originX: job.board.minX,
        originY: job.board.minY,
        width: (job.board.maxX - job.board.minX) / 1000,
        height: (job.board.maxY - job.board.minY) / 1000,
        maskColor: mask,
        finishColor: finish,
        bodies,
      });
    } catch (e) {
      // eslint-disable-next-line react-hooks/set-state-in-effect -- only the browser can tell
      setFailure(e instanceof Error ? e.message : String(e));
      return undefined;
    }
  }, [ready, meshes, solid.data, surface.data, mask, finish, bodies, job]);
  const outlined = (surface.data?.positions.length ?? 0) > 0;
  const guessed = solid.data?.bodies.filter((b) => b.guessed).length ?? 0;
  const sized = solid.data?.bodies.filter((b) => b.known).length ?? 0;
  const high = solid.data?.bodies.filter((b) => b.tooHigh).map((b) => b.designator) ?? [];
  const zones = solid.data?.zones.length ?? 0;
  const off = solid.data?.bodies.filter((b) => !b.fitted).length ?? 0;
  return (
    <div className="from-paper to-card relative min-h-0 grow bg-linear-to-b">
      <canvas
        ref={canvas}
        tabIndex={0}
        aria-label="Solid view: drag to turn, wheel to come nearer, right button or arrow keys to move"
        className="absolute inset-0 h-full w-full cursor-grab active:cursor-grabbing"
      />
      <div className="bg-card/90 border-edge absolute top-3 left-3 flex items-center gap-3 rounded border px-2 py-1">
        <Select
          label="Mask colour"
          className="w-32"
          value={mask}
          onValueChange={setMask}
          options={MASKS}
        />
        <Select
          label="Finish of bare copper"
          className="w-32"
          value={finish}
          onValueChange={setFinish}
          options={FINISHES}
        />
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={bodies}
            onChange={(e) => setBodies(e.target.checked)}
            className="accent-petrol"
          />
          parts as boxes
        </label>
      </div>
      {zones > 0 || high.length > 0 ? (
        <p
          role="status"
          className={`bg-card/90 border-edge absolute top-14 left-3 max-w-96 rounded border px-2 py-1 ${high.length > 0 ? 'text-stop font-semibold' : ''}`}
        >
          {high.length > 0 ? `Too high here: ${some(high)}` : 'All parts have room above.'}
        </p>
      ) : null}
      <p className="text-faint absolute right-3 bottom-2 left-3 text-[13px]">
        Drag to turn. {sized} boxes have the size of their part or package, the rest that of their
        pads and a usual height; the board is taken as 1.6 mm thick
        {guessed > 0 ? `; ${guessed} parts without known pads are pale` : ''}
        {off > 0 ? `; ${off} left off ${off === 1 ? 'is' : 'are'} an outline` : ''}.
      </p>
      {surface.isSuccess && !outlined ? (
        <p role="alert" className="text-stop absolute top-24 left-3">
          There is no closed outline, so there is no board to show.
        </p>
      ) : null}
      {failure || solid.error || surface.error ? (
        <p role="alert" className="text-stop absolute top-16 left-3">
          {failure || solid.error?.message || surface.error?.message}
        </p>
      ) : null}
    </div>
  );
}

import { useEffect, useRef, useState } from 'react';
import { api, type Job } from '../api/client';
import { useView } from '../store/view';
import { strokeCross } from '../table/cross';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { references, type Reference } from './references';
import { usePhoto } from './usePhoto';

const WIDTH = 760;
const HEIGHT = 620;

interface Clicked {
  reference: Reference;
  photoX: number;
  photoY: number;
}

/** Three or more places of the board are clicked on the photograph, which lays it down. */
export function LayPhoto({ job, onClose }: { job: Job; onClose: () => void }) {
  const photo = usePhoto();
  const flipped = useView((s) => s.flipped);
  const [clicked, setClicked] = useState<Clicked[]>([]);
  const [skipped, setSkipped] = useState<string[]>([]);
  const [error, setError] = useState('');
  const canvas = useRef<HTMLCanvasElement>(null);
  const all = references(job);
  const next = all.find(
    (r) => !skipped.includes(r.name) && clicked.every((c) => c.reference.name !== r.name),
  );
  const { image } = photo;
  const scale = image ? Math.min(WIDTH / image.width, HEIGHT / image.height) : 1;
  useEffect(() => {
    const g = canvas.current?.getContext('2d');
    if (!g || !image) {
      return;
    }
    g.drawImage(image, 0, 0, image.width * scale, image.height * scale);
    g.font = '600 13px "Source Sans 3", sans-serif';
    clicked.forEach((c, i) => {
      const [x, y] = [c.photoX * scale, c.photoY * scale];
      g.strokeStyle = '#fbf7ee';
      g.lineWidth = 3.5;
      for (const ink of ['#fbf7ee', '#1c5a63']) {
        g.strokeStyle = ink;
        strokeCross(g, x, y, 9);
        g.lineWidth = 1.5;
      }
      g.fillStyle = '#1c5a63';
      g.fillText(String(i + 1), x + 7, y - 6);
    });
  }, [image, scale, clicked]);
  if (!image) {
    return null;
  }
  const lay = () => {
    setError('');
    api
      .fitPhoto(
        job.id,
        clicked.map((c) => ({
          photoX: c.photoX,
          photoY: c.photoY,
          x: c.reference.x,
          y: c.reference.y,
        })),
      )
      .then((fit) => {
        photo.lay(fit.toBoard, fit.worstMm);
        onClose();
      })
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={next ? `Click where you see the ${next.name}` : 'Lay the photograph down'}
      wide
    >
      <div className="flex gap-4">
        <canvas
          ref={canvas}
          aria-label="Photograph"
          width={image.width * scale}
          height={image.height * scale}
          className="cursor-crosshair self-start"
          onClick={(e) => {
            const box = e.currentTarget.getBoundingClientRect();
            if (next) {
              const photoX = (e.clientX - box.left) / scale;
              const photoY = (e.clientY - box.top) / scale;
              setClicked([...clicked, { reference: next, photoX, photoY }]);
            }
          }}
        />
        <div className="min-w-[220px] grow">
          <MiniBoard job={job} all={all} clicked={clicked} next={next} flipped={flipped} />
          <p className="text-faint mt-2">
            Three places will do for a scan, four or more for a photograph taken at a slant. Seen
            from {flipped ? 'below' : 'above'}, as the table is.
          </p>
          {error ? (
            <p role="alert" className="text-stop mt-2">
              {error}
            </p>
          ) : null}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button
              disabled={clicked.length === 0}
              onClick={() => setClicked(clicked.slice(0, -1))}
            >
              Take the last back
            </Button>
            <Button disabled={!next} onClick={() => next && setSkipped([...skipped, next.name])}>
              Not to be seen
            </Button>
            <Button look="main" disabled={clicked.length < 3} onClick={lay}>
              Lay it on the table ({clicked.length})
            </Button>
          </div>
        </div>
      </div>
    </Dialog>
  );
}

/** The board with the places to click, the next one filled. */
function MiniBoard({
  job,
  all,
  clicked,
  next,
  flipped,
}: {
  job: Job;
  all: readonly Reference[];
  clicked: readonly Clicked[];
  next: Reference | undefined;
  flipped: boolean;
}) {
  const { minX, minY, maxX, maxY } = job.board;
  const span = Math.max(maxX - minX, maxY - minY);
  const x = (nm: number) => ((flipped ? maxX - nm : nm - minX) / span) * 100 + 5;
  const y = (nm: number) => ((maxY - nm) / span) * 100 + 5;
  return (
    <svg
      viewBox={`0 0 ${((maxX - minX) / span) * 100 + 10} ${((maxY - minY) / span) * 100 + 10}`}
      className="w-full"
      role="img"
      aria-label="Where the places are on the board"
    >
      <rect
        x="5"
        y="5"
        width={((maxX - minX) / span) * 100}
        height={((maxY - minY) / span) * 100}
        fill="#f4ecdc"
        stroke="#2f2a24"
        strokeWidth="0.6"
      />
      {all.map((r) => {
        const n = clicked.findIndex((c) => c.reference.name === r.name);
        return (
          <g key={r.name}>
            <circle
              cx={x(r.x)}
              cy={y(r.y)}
              r={r === next ? 4 : 2.2}
              fill={r === next ? '#9c4a2b' : n >= 0 ? '#1c5a63' : '#fbf7ee'}
              stroke="#2f2a24"
              strokeWidth="0.5"
            />
            {n >= 0 ? (
              <text x={x(r.x) + 3} y={y(r.y) - 2} fontSize="6" fill="#1c5a63">
                {n + 1}
              </text>
            ) : null}
          </g>
        );
      })}
    </svg>
  );
}

import type { Job } from '../api/client';
import { Renderer, type FilmDrawing } from '../table/Renderer';
import type { Mesh } from '../table/layers';
import { toBoard, toScreen, type Viewport } from '../table/viewport';

/** The longest side of a board's picture, pixels. */
const MOST_PX = 2400;

/** One board's picture, cut out along its edge, to be laid down many times. */
export interface Sprite {
  image: HTMLCanvasElement;
  /** Where the picture looks: its pixels are these of the board. */
  view: Viewport;
  /** Pixels of the image for one of the view. */
  ratio: number;
}

/**
 * Draws a board once.
 *
 * @param outline its rings, nm
 * @param scale pixels per nm that are wanted
 */
export function sprite(
  job: Job,
  meshes: ReadonlyMap<string, Mesh>,
  outline: readonly (readonly number[])[],
  scale: number,
  flipped: boolean,
): Sprite {
  const { minX, minY, maxX, maxY } = job.board;
  const ratio = window.devicePixelRatio || 1;
  const most = MOST_PX / ratio / Math.max(maxX - minX, maxY - minY, 1);
  const used = Math.min(scale, most);
  const view: Viewport = {
    cx: (minX + maxX) / 2,
    cy: (minY + maxY) / 2,
    scale: used,
    flipped,
    turn: 0,
    width: Math.max(2, Math.ceil((maxX - minX) * used) + 2),
    height: Math.max(2, Math.ceil((maxY - minY) * used) + 2),
  };
  const films = document.createElement('canvas');
  films.width = Math.ceil(view.width * ratio);
  films.height = Math.ceil(view.height * ratio);
  const renderer = new Renderer(films, minX, minY, true);
  renderer.setHoles(job.holes);
  meshes.forEach((mesh, role) => renderer.setFilm(role, mesh));
  const far = flipped ? '-top' : '-bottom';
  const drawings = job.layers
    .filter((l) => l.role !== 'outline' && !l.role.startsWith('paste'))
    .map((l): FilmDrawing => ({
      role: l.role,
      film: l.role.endsWith(far) || l.role.startsWith('copper-inner') ? 'dim' : 'on',
    }));
  renderer.draw(view, drawings, 'on', { nets: [], alone: false }, 1);
  const image = document.createElement('canvas');
  image.width = films.width;
  image.height = films.height;
  const g = image.getContext('2d');
  if (g) {
    g.scale(ratio, ratio);
    g.beginPath();
    for (const ring of outline) {
      for (let i = 0; i + 1 < ring.length; i += 2) {
        const [x, y] = toScreen(view, ring[i] ?? 0, ring[i + 1] ?? 0);
        if (i === 0) {
          g.moveTo(x, y);
        } else {
          g.lineTo(x, y);
        }
      }
      g.closePath();
    }
    g.clip('evenodd');
    g.drawImage(films, 0, 0, view.width, view.height);
  }
  renderer.dispose();
  return { image, view, ratio };
}

/** What takes the picture's pixels to the screen, where a place of the pack goes to `put`. */
export function placing(
  s: Sprite,
  put: (x: number, y: number) => [number, number],
): DOMMatrix2DInit {
  const at = (px: number, py: number) => put(...toBoard(s.view, px / s.ratio, py / s.ratio));
  const [e, f] = at(0, 0);
  const [ax, ay] = at(1, 0);
  const [cx, cy] = at(0, 1);
  return { a: ax - e, b: ay - f, c: cx - e, d: cy - f, e, f };
}

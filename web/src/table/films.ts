import type { Job } from '../api/client';
import type { Film, Xray } from '../store/view';
import { ADDED, REMOVED, XRAY_A, XRAY_B } from './inks';
import type { Mesh } from './layers';
import type { FilmDrawing } from './Renderer';

/** The films as they are to be drawn: two for an x-ray, else all, under what changed if asked. */
export function drawingsOf(
  job: Job,
  xray: Xray | null,
  filmOf: (role: string) => Film,
  changed: ReadonlyMap<string, Mesh>,
): FilmDrawing[] {
  if (xray) {
    const { a, b, mix } = xray;
    return [
      { role: a, film: 'on', ink: XRAY_A, strength: Math.min(1, 2 - 2 * mix) },
      { role: b, film: 'on', ink: XRAY_B, strength: Math.min(1, 2 * mix) },
    ];
  }
  const films = job.layers.map((l): FilmDrawing => ({ role: l.role, film: filmOf(l.role) }));
  if (changed.size === 0) {
    return films;
  }
  const under = films.map((f): FilmDrawing => ({ ...f, strength: 0.22 }));
  const marks = [...changed.keys()]
    .filter((k) => filmOf(k.replace(/^(added|removed):/, '')) !== 'off')
    .map((k): FilmDrawing => ({
      role: k,
      film: 'on',
      ink: k.startsWith('added') ? ADDED : REMOVED,
      strength: 0.95,
    }));
  return [...under, ...marks];
}

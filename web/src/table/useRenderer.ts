import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Job } from '../api/client';
import type { Mesh } from './layers';
import { Renderer } from './Renderer';

/** Boards with more holes than this are so large that their edges are not smoothed. */
const MANY_HOLES = 4000;

export interface Drawing {
  renderer: RefObject<Renderer | null>;
  /** Why nothing can be drawn; empty while it can. */
  failure: string;
  /** Changes when there is another renderer: all has to be drawn anew. */
  generation: number;
}

/**
 * One renderer for the life of a set of pictures and of the graphics system's context. When that is
 * lost, as by a driver that starts anew, another one is made once it is back.
 */
export function useRenderer(
  canvas: RefObject<HTMLCanvasElement | null>,
  job: Job,
  key: string,
  films: readonly ReadonlyMap<string, Mesh>[],
): Drawing {
  const renderer = useRef<Renderer | null>(null);
  const [failure, setFailure] = useState('');
  const [generation, setGeneration] = useState(0);

  useEffect(() => {
    const box = canvas.current;
    if (!box) {
      return undefined;
    }
    const lost = (e: Event) => {
      // Without this the browser would never give it back.
      e.preventDefault();
      renderer.current = null;
      setFailure('The graphics system was lost; the board is drawn again when it is back.');
    };
    const back = () => {
      setFailure('');
      setGeneration((g) => g + 1);
    };
    box.addEventListener('webglcontextlost', lost);
    box.addEventListener('webglcontextrestored', back);
    return () => {
      box.removeEventListener('webglcontextlost', lost);
      box.removeEventListener('webglcontextrestored', back);
    };
  }, [canvas]);

  useEffect(() => {
    if (!canvas.current) {
      return undefined;
    }
    let made: Renderer;
    try {
      made = new Renderer(
        canvas.current,
        job.board.minX,
        job.board.minY,
        job.holes.length < MANY_HOLES,
      );
    } catch (e) {
      // eslint-disable-next-line react-hooks/set-state-in-effect -- only the browser can tell
      setFailure(e instanceof Error ? e.message : String(e));
      return undefined;
    }
    renderer.current = made;
    made.setHoles(job.holes);
    return () => {
      made.dispose();
      renderer.current = null;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for job and pictures
  }, [key, generation]);

  useEffect(() => {
    films.forEach((some) => some.forEach((mesh, role) => renderer.current?.setFilm(role, mesh)));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the list is new each time, not the films
  }, [...films, key, generation]);

  return { renderer, failure, generation };
}

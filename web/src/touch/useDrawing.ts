import { useRef, type RefObject } from 'react';
import { api } from '../api/client';
import type { Point } from '../store/view';
import { toBoard, type Viewport } from '../table/viewport';
import { useTouch, type Handle } from './scene';

/** How near, in pixels, a handle is taken hold of, or the first corner closes an area. */
const NEAR_PX = 9;
/** Corners of areas are caught by what is nearer than this; from afar pads would pull them about. */
const CATCH_NM = 300_000;

/** The finest round step that a pointer can tell: 10 µm near by, 0.1 mm from afar. */
export function stepNm(scale: number): number {
  return Math.max(10_000, 10 ** Math.floor(Math.log10(1 / scale)));
}

/** A place round to a step, nm. */
export function rounded(p: Point, step: number): Point {
  return { x: Math.round(p.x / step) * step, y: Math.round(p.y / step) * step };
}

interface Drawing {
  /** Each says whether the event was for it. */
  down: (e: React.PointerEvent) => boolean;
  move: (e: React.PointerEvent) => boolean;
  /** Whether letting go now is for it. */
  takes: () => boolean;
  up: (e: React.PointerEvent, clicked: boolean) => void;
  cancel: () => void;
  key: (e: React.KeyboardEvent) => boolean;
}

/** Pointing out places on the table, and dragging those there are, with the mouse or by keyboard. */
export function useDrawing(
  on: boolean,
  job: number,
  view: Viewport,
  roles: string[],
  frame: RefObject<HTMLDivElement | null>,
): Drawing {
  const grip = useRef<Handle | null>(null);
  const placeOf = (e: React.PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    const [x, y] = toBoard(view, e.clientX - box.left, e.clientY - box.top);
    return { x, y };
  };
  const near = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y) * view.scale < NEAR_PX;

  const down = (e: React.PointerEvent): boolean => {
    const scene = useTouch.getState();
    if (!on || scene.asking) {
      return false;
    }
    const at = placeOf(e);
    grip.current = scene.handles.find((h) => near(h, at)) ?? null;
    if (grip.current) {
      e.currentTarget.setPointerCapture(e.pointerId);
      frame.current?.focus();
    }
    return grip.current !== null;
  };
  const move = (e: React.PointerEvent): boolean => {
    if (!grip.current) {
      return false;
    }
    useTouch
      .getState()
      .show({ held: { key: grip.current.key, ...rounded(placeOf(e), stepNm(view.scale)) } });
    return true;
  };
  const takes = () => grip.current !== null || (on && useTouch.getState().asking !== null);
  const cancel = () => {
    grip.current = null;
    useTouch.getState().show({ held: null });
  };
  const up = (e: React.PointerEvent, clicked: boolean): void => {
    const scene = useTouch.getState();
    if (grip.current) {
      const was = grip.current;
      grip.current = null;
      scene.show({
        held: null,
        ...(scene.held ? { dropped: { ...scene.held, key: was.key } } : {}),
      });
      return;
    }
    if (!on || !scene.asking || !clicked) {
      return;
    }
    const at = placeOf(e);
    const first = scene.draft[0];
    if (scene.asking.shape === 'area' && scene.draft.length > 2 && first && near(first, at)) {
      scene.finish();
      return;
    }
    // Holes and the middles of pads catch the pointer; edges do not.
    const far = NEAR_PX / view.scale;
    const reach = Math.round(scene.asking.shape === 'point' ? far : Math.min(far, CATCH_NM));
    const free = rounded(at, stepNm(view.scale));
    void api
      .snap(job, Math.round(at.x), Math.round(at.y), reach, roles)
      .then((s) => (s.kind === 'hole' || s.kind === 'centre' ? { x: s.x, y: s.y } : free))
      .catch(() => free)
      .then((p) => useTouch.getState().add(p));
  };
  const key = (e: React.KeyboardEvent): boolean => {
    const scene = useTouch.getState();
    if (!on || !scene.asking) {
      return false;
    }
    const step = e.shiftKey ? 100_000 : 1_000_000;
    const right = view.flipped ? -step : step;
    const cursor = scene.cursor ?? rounded({ x: view.cx, y: view.cy }, 1_000_000);
    const moves: Record<string, Point> = {
      ArrowLeft: { x: cursor.x - right, y: cursor.y },
      ArrowRight: { x: cursor.x + right, y: cursor.y },
      ArrowUp: { x: cursor.x, y: cursor.y + step },
      ArrowDown: { x: cursor.x, y: cursor.y - step },
    };
    const to = moves[e.key];
    if (to) {
      scene.show({ cursor: to });
    } else if (e.key === ' ') {
      scene.show({ cursor });
      scene.add(cursor);
    } else if (e.key === 'Enter') {
      scene.finish();
    } else if (e.key === 'Backspace') {
      scene.show({ draft: scene.draft.slice(0, -1) });
    } else if (e.key === 'Escape') {
      scene.ask(null);
    } else {
      return false;
    }
    e.preventDefault();
    e.stopPropagation();
    return true;
  };
  return { down, move, takes, up, cancel, key };
}

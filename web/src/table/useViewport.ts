import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { Job } from '../api/client';
import { useView, type Focus } from '../store/view';
import { fit, lookAt, pan, zoomAbout, type Viewport } from './viewport';

const NOWHERE: Viewport = {
  cx: 0,
  cy: 0,
  scale: 1e-5,
  flipped: false,
  turn: 0,
  width: 0,
  height: 0,
};

/** Where the table looked last, by files: whoever comes back from another view finds it so. */
const lookedAt = new Map<string, Viewport>();
const MOST_KEPT = 20;

function keep(files: string, port: Viewport): void {
  lookedAt.delete(files);
  lookedAt.set(files, port);
  const [oldest] = lookedAt.keys();
  if (oldest !== undefined && lookedAt.size > MOST_KEPT) {
    lookedAt.delete(oldest);
  }
}

export interface Looking {
  port: Viewport;
  panBy: (dx: number, dy: number) => void;
  zoomAt: (x: number, y: number, factor: number) => void;
  fitBoard: () => void;
}

/**
 * Where the table looks. It follows the size of its frame, goes where a station sends it, and back
 * to the whole board when there is nothing to look at any more.
 */
export function useViewport(
  frame: RefObject<HTMLElement | null>,
  board: Job['board'],
  files: string,
  focus: Focus | null,
): Looking {
  const flipped = useView((s) => s.flipped);
  const turn = useView((s) => s.turn);
  const [port, setPort] = useState<Viewport>(() => lookedAt.get(files) ?? NOWHERE);
  const live = useMemo(() => ({ ...port, flipped, turn }), [port, flipped, turn]);

  useEffect(() => {
    if (live.width > 0) {
      keep(files, live);
    }
  }, [files, live]);

  // The first size, and a new board, fit the board.
  const fitted = useRef(lookedAt.has(files) ? files : '');
  useEffect(() => {
    const box = frame.current;
    if (!box) {
      return undefined;
    }
    const observer = new ResizeObserver(() => {
      const width = box.clientWidth;
      const height = box.clientHeight;
      setPort((p) => {
        const sized = { ...p, width, height };
        if (fitted.current === files || width === 0) {
          return sized;
        }
        fitted.current = files;
        return fit(sized, board);
      });
    });
    observer.observe(box);
    return () => observer.disconnect();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the files stand for the board
  }, [files]);

  const focused = useRef(false);
  useEffect(() => {
    if (focus) {
      focused.current = true;
      // eslint-disable-next-line react-hooks/set-state-in-effect -- the table goes where asked
      setPort((p) => lookAt(p, focus.x, focus.y, focus.span));
    } else if (focused.current) {
      focused.current = false;
      setPort((p) => fit(p, board));
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a new focus moves the table
  }, [focus]);

  const fitBoard = useCallback(() => setPort((p) => fit({ ...p, turn }, board)), [board, turn]);
  // A turned board is laid out anew, as it may not fit any more.
  const turned = useRef(turn);
  useEffect(() => {
    if (turned.current !== turn) {
      turned.current = turn;
      fitBoard();
    }
  }, [turn, fitBoard]);

  const panBy = useCallback(
    (dx: number, dy: number) => setPort((p) => pan({ ...p, flipped, turn }, dx, dy)),
    [flipped, turn],
  );
  const zoomAt = useCallback(
    (x: number, y: number, factor: number) =>
      setPort((p) => zoomAbout({ ...p, flipped, turn }, x, y, factor)),
    [flipped, turn],
  );

  useEffect(() => {
    const box = frame.current;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const at = box?.getBoundingClientRect();
      zoomAt(e.clientX - (at?.left ?? 0), e.clientY - (at?.top ?? 0), Math.exp(-e.deltaY * 0.0016));
    };
    box?.addEventListener('wheel', onWheel, { passive: false });
    return () => box?.removeEventListener('wheel', onWheel);
  }, [frame, zoomAt]);

  return { port: live, panBy, zoomAt, fitBoard };
}

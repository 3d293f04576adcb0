import { useEffect, useRef, type RefObject } from 'react';
import { movedTo, type Viewport } from './viewport';

/** How long the view must lie still before the sharp picture is drawn, milliseconds. */
const REST_MS = 120;

function countFrame(box: HTMLElement | null): void {
  if (box) {
    box.dataset['frames'] = String(Number(box.dataset['frames'] ?? 0) + 1);
  }
}

/**
 * Keeps the picture on the canvases that of the view. Drawing a large board takes longer than a
 * frame: while the view moves, the finished picture is moved with it, and a sharp one is drawn when
 * it comes to rest or has been moved far.
 *
 * @param paint draws it all; false while there is nothing to draw yet
 * @param of what the picture shows beside the place that is looked at: it is drawn anew when any of
 *   it changes
 */
export function usePicture(
  frame: RefObject<HTMLElement | null>,
  canvases: readonly RefObject<HTMLCanvasElement | null>[],
  live: Viewport,
  paint: () => boolean,
  of: readonly unknown[],
): void {
  const drawn = useRef<Viewport | null>(null);
  const draw = useRef<() => void>(() => undefined);
  useEffect(() => {
    draw.current = () => {
      const ratio = window.devicePixelRatio || 1;
      for (const { current: c } of canvases) {
        if (c) {
          c.style.transform = '';
          if (c.width !== live.width * ratio || c.height !== live.height * ratio) {
            c.width = live.width * ratio;
            c.height = live.height * ratio;
          }
        }
      }
      drawn.current = live;
      if (paint()) {
        countFrame(frame.current);
      }
    };
  });

  useEffect(() => {
    const request = requestAnimationFrame(() => draw.current());
    return () => cancelAnimationFrame(request);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is drawn is given by the caller
  }, [live.flipped, live.turn, live.width, live.height, ...of]);

  useEffect(() => {
    const request = requestAnimationFrame(() => {
      const transform = drawn.current && movedTo(drawn.current, live);
      if (!transform) {
        draw.current();
        return;
      }
      for (const { current: c } of canvases) {
        if (c) {
          c.style.transform = transform;
        }
      }
      countFrame(frame.current);
    });
    const rest = setTimeout(() => {
      if (drawn.current !== live) {
        draw.current();
      }
    }, REST_MS);
    return () => {
      cancelAnimationFrame(request);
      clearTimeout(rest);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a moved view moves the picture
  }, [live.cx, live.cy, live.scale]);
}

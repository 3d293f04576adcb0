import { useEffect, useRef } from 'react';
import type { Viewport } from '../table/viewport';
import { drawMill } from './drawMill';
import { useMill } from './scene';

/** What the Mill station lays on the table; apart from the films, as it changes all the time. */
export function MillOverlay({ port }: { port: Viewport }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scene = useMill();
  useEffect(() => {
    const request = requestAnimationFrame(() => {
      const c = canvas.current;
      const g = c?.getContext('2d');
      if (!c || !g) {
        return;
      }
      const ratio = window.devicePixelRatio || 1;
      if (c.width !== port.width * ratio || c.height !== port.height * ratio) {
        c.width = port.width * ratio;
        c.height = port.height * ratio;
      }
      drawMill(g, port, scene);
    });
    return () => cancelAnimationFrame(request);
  }, [port, scene]);
  return (
    <canvas
      ref={canvas}
      data-testid="mill-overlay"
      className="pointer-events-none absolute inset-0 h-full w-full"
    />
  );
}

import { useEffect, useState, type ReactNode } from 'react';
import { LEAST, paneWidth, STRIP, TRAVELLER, usePanes } from './panes';
import { useNarrow } from './useNarrow';

const KEY_STEP = 24;

function useWindowWidth(): number {
  const [width, setWidth] = useState(() => window.innerWidth);
  useEffect(() => {
    const resized = () => setWidth(window.innerWidth);
    window.addEventListener('resize', resized);
    return () => window.removeEventListener('resize', resized);
  }, []);
  return width;
}

/** The station's pane beside the board: its edge is dragged, by keys too, and it can be put away. */
export function SidePane({
  name,
  usual,
  children,
}: {
  /** Panes of one name share their width. */
  name: string;
  usual: number;
  children: ReactNode;
}) {
  const chosen = usePanes((s) => s.widths[name]);
  const away = usePanes((s) => s.away[name] ?? false);
  const { setWidth, putAway } = usePanes();
  const whole = useWindowWidth();
  const width = paneWidth(chosen ?? usual, whole, useNarrow() ? STRIP : TRAVELLER);
  const widen = (by: number) => setWidth(name, Math.max(LEAST, width + by));
  return (
    <>
      <div className="border-edge bg-card relative flex w-3.5 shrink-0 flex-col items-center border-x">
        <button
          type="button"
          aria-label={away ? 'Show the station beside the board' : 'Put the station away'}
          aria-expanded={!away}
          title={away ? 'Show the station beside the board' : 'Put the station away'}
          onClick={() => putAway(name, !away)}
          className="text-faint hover:text-ink hover:bg-paper h-10 w-full text-[13px] leading-none"
        >
          {away ? '‹' : '›'}
        </button>
        {away ? null : (
          <div
            role="separator"
            aria-orientation="vertical"
            aria-label="Width of the station"
            aria-valuenow={width}
            aria-valuemin={LEAST}
            aria-valuemax={whole}
            tabIndex={0}
            className="hover:bg-petrol/30 focus-visible:bg-petrol/40 w-full grow cursor-col-resize touch-none"
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={(e) => {
              if (e.currentTarget.hasPointerCapture(e.pointerId)) {
                setWidth(name, Math.max(LEAST, whole - e.clientX));
              }
            }}
            onKeyDown={(e) => {
              const by = { ArrowLeft: KEY_STEP, ArrowRight: -KEY_STEP }[e.key];
              if (by !== undefined) {
                e.preventDefault();
                widen(by);
              }
            }}
          />
        )}
      </div>
      <aside
        hidden={away}
        className="h-full shrink-0 overflow-hidden"
        style={{ width: away ? 0 : width }}
      >
        {children}
      </aside>
    </>
  );
}

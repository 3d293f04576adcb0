import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Finding, Job, PanelResult } from '../api/client';
import { useView } from '../store/view';
import { tableColor } from '../table/Renderer';
import { Lamp } from '../table/TableBar';
import { useLayers } from '../table/useLayers';
import { fit, movedTo, pan, zoomAbout, type Viewport } from '../table/viewport';
import { Button, Toggle } from '../ui/Button';
import { length, number } from '../units';
import { drawPanel } from './drawPanel';
import { boxOf, type PlacedBoard } from './places';
import { lying, type Lying } from './plan';
import { sprite } from './sprite';
import { usePanelChoice } from './usePanelChoice';
import { usePanelPointer } from './usePanelPointer';

/** How long the view must lie still before the boards' picture is drawn anew. */
const REST_MS = 200;
const MM = 1e6;

function countFrame(c: HTMLCanvasElement): void {
  c.dataset['frames'] = String(Number(c.dataset['frames'] ?? 0) + 1);
}

/** The panel on the light table; boards are dragged, turned and taken off here. */
export function PanelTable({
  job,
  panel,
  gapNm,
  findings,
  onMoved,
}: {
  job: Job;
  panel: PanelResult;
  gapNm: number;
  findings: readonly Finding[];
  onMoved: (places: Lying[]) => void;
}) {
  const view = useView();
  const { meshes, ready } = useLayers(job);
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { selected, select } = usePanelChoice();
  const [port, setPort] = useState<Viewport | null>(null);
  const live = useMemo(
    () => (port ? { ...port, flipped: view.flipped, turn: 0 } : null),
    [port, view.flipped],
  );
  const extent = useMemo(
    () => ({ minX: 0, minY: 0, maxX: panel.width, maxY: panel.height }),
    [panel.width, panel.height],
  );
  const placesWith = useCallback(
    (number: number, change: (l: Lying) => Lying | null): Lying[] =>
      lying(panel).flatMap((l, i) => {
        if (panel.boards[i]?.number !== number) {
          return [l];
        }
        const next = change(l);
        return next ? [next] : [];
      }),
    [panel],
  );
  const zoomAt = useCallback(
    (x: number, y: number, factor: number) =>
      setPort((p) => (p ? zoomAbout({ ...p, flipped: view.flipped }, x, y, factor) : p)),
    [view.flipped],
  );
  const { moved, pointer, settle, breakOff, on } = usePanelPointer({
    panel,
    port: live,
    gapNm,
    select,
    panBy: (dx, dy) => setPort((p) => (p ? pan({ ...p, flipped: view.flipped }, dx, dy) : p)),
    zoomAt,
    onMoved: (m) =>
      onMoved(
        placesWith(m.number, (l) => ({
          ...l,
          xMm: l.xMm + m.dx / MM,
          yMm: l.yMm + m.dy / MM,
        })),
      ),
  });
  // A board that was put down stays there until the answer has it.
  const [laid, setLaid] = useState(panel);
  if (laid !== panel) {
    setLaid(panel);
    settle();
  }

  const boards = useMemo(
    (): PlacedBoard[] =>
      panel.boards.map((b) =>
        moved?.number === b.number ? { ...b, x: b.x + moved.dx, y: b.y + moved.dy } : b,
      ),
    [panel.boards, moved],
  );

  const fitted = useRef('');
  const size = `${panel.width} ${panel.height}`;
  useEffect(() => {
    const box = frame.current;
    if (!box) {
      return undefined;
    }
    const observer = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = box;
      setPort((p) => {
        const sized: Viewport = {
          cx: 0,
          cy: 0,
          scale: 1e-6,
          flipped: false,
          turn: 0,
          ...p,
          width,
          height,
        };
        if (fitted.current === size || width === 0) {
          return sized;
        }
        fitted.current = size;
        return fit(sized, extent);
      });
    });
    observer.observe(box);
    return () => observer.disconnect();
  }, [extent, size]);

  // The picture of one board, drawn anew when the view came to rest at another scale.
  const scale = live?.scale ?? 0;
  const [restScale, setRestScale] = useState(0);
  useEffect(() => {
    const rest = setTimeout(() => setRestScale(scale), restScale === 0 ? 0 : REST_MS);
    return () => clearTimeout(rest);
  }, [scale, restScale]);
  const picture = useMemo(() => {
    const outline = panel.outlines[''];
    return ready && restScale > 0 && outline
      ? sprite(job, meshes, outline, restScale, view.flipped)
      : null;
  }, [job, meshes, ready, panel.outlines, restScale, view.flipped]);

  const flags = useMemo(
    () =>
      findings
        .filter((f) => !f.everywhere)
        .map((f) => ({ number: f.number, x: f.at.x, y: f.at.y, severity: f.severity })),
    [findings],
  );

  // A full panel takes longer to draw than a frame: while only the view moves, the finished picture
  // is moved with it, and drawn anew when it comes to rest.
  const drawn = useRef<Viewport | null>(null);
  const draw = useRef<() => void>(() => undefined);
  useEffect(() => {
    draw.current = () => {
      const c = canvas.current;
      const g = c?.getContext('2d');
      if (!c || !g || !live || live.width === 0) {
        return;
      }
      const ratio = window.devicePixelRatio || 1;
      const w = Math.round(live.width * ratio);
      const h = Math.round(live.height * ratio);
      if (c.width !== w || c.height !== h) {
        c.width = w;
        c.height = h;
      }
      c.style.transform = '';
      g.setTransform(ratio, 0, 0, ratio, 0, 0);
      drawPanel(g, live, {
        panel,
        boards,
        sprite: picture,
        selected,
        moving: moved !== null,
        lamp: view.lamp,
        flags,
      });
      drawn.current = live;
      countFrame(c);
    };
  });
  const at0 = live ? `${live.width} ${live.height} ${live.flipped}` : '';
  useEffect(() => {
    const request = requestAnimationFrame(() => draw.current());
    return () => cancelAnimationFrame(request);
  }, [at0, panel, boards, picture, selected, moved, view.lamp, flags]);
  useEffect(() => {
    const c = canvas.current;
    if (!c || !live || drawn.current === live) {
      return undefined;
    }
    const request = requestAnimationFrame(() => {
      const transform = drawn.current && movedTo(drawn.current, live);
      if (transform) {
        c.style.transform = transform;
        c.style.transformOrigin = '0 0';
        countFrame(c);
      } else {
        draw.current();
      }
    });
    const rest = setTimeout(() => draw.current(), REST_MS);
    return () => {
      cancelAnimationFrame(request);
      clearTimeout(rest);
    };
  }, [live]);

  const turn = useCallback(
    (number: number) => {
      const b = panel.boards.find((x) => x.number === number);
      if (!b) {
        return;
      }
      // About its own middle.
      const before = boxOf(panel, b);
      const next = (b.rotationDeg + 90) % 360;
      const after = boxOf(panel, { ...b, rotationDeg: next });
      const dx = before.minX + before.maxX - after.minX - after.maxX;
      const dy = before.minY + before.maxY - after.minY - after.maxY;
      onMoved(
        placesWith(number, (l) => ({
          ...l,
          rotationDeg: next,
          xMm: l.xMm + dx / 2 / MM,
          yMm: l.yMm + dy / 2 / MM,
        })),
      );
    },
    [panel, placesWith, onMoved],
  );
  const takeOff = useCallback(
    (number: number) => {
      if (panel.boards.length > 1) {
        select(null);
        onMoved(placesWith(number, () => null));
      }
    },
    [panel.boards.length, placesWith, onMoved, select],
  );
  const onKey = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 0.1 : 1;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const by = moves[e.key];
    if (e.key === 'Tab' || e.ctrlKey || e.metaKey || e.altKey) {
      return;
    }
    if (selected !== null && by) {
      onMoved(placesWith(selected, (l) => ({ ...l, xMm: l.xMm + by[0], yMm: l.yMm + by[1] })));
    } else if (selected !== null && e.key === 't') {
      turn(selected);
    } else if (selected !== null && e.key === 'Delete') {
      takeOff(selected);
    } else if (e.key === 'n' || e.key === 'p') {
      const list = panel.boards.map((b) => b.number);
      const i = selected === null ? -1 : list.indexOf(selected);
      const to = e.key === 'n' ? i + 1 : i - 1 + (i < 0 ? 1 : 0);
      select(list[(to + list.length) % list.length] ?? null);
    } else if (e.key === 'Escape') {
      if (!breakOff()) {
        select(null);
      }
    } else if (e.key === 'Home') {
      setPort((p) => (p ? fit(p, extent) : p));
    } else {
      return;
    }
    e.preventDefault();
    e.stopPropagation();
  };

  useEffect(() => {
    const box = frame.current;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const r = box?.getBoundingClientRect();
      zoomAt(e.clientX - (r?.left ?? 0), e.clientY - (r?.top ?? 0), Math.exp(-e.deltaY * 0.0016));
    };
    box?.addEventListener('wheel', onWheel, { passive: false });
    return () => box?.removeEventListener('wheel', onWheel);
  }, [zoomAt]);

  const chosen = boards.find((b) => b.number === selected);
  const corner = chosen ? boxOf(panel, chosen) : null;
  return (
    <div className="flex h-full flex-col">
      <div
        ref={frame}
        role="application"
        aria-label="Panel"
        tabIndex={0}
        data-boards={panel.boards.length}
        data-ready={picture !== null}
        data-center={live ? `${live.cx},${live.cy}` : ''}
        data-scale={live?.scale ?? 0}
        style={{ background: tableColor(view.lamp) }}
        className="relative min-h-0 grow touch-none overflow-hidden focus-visible:outline-2"
        {...on}
        onKeyDown={onKey}
      >
        <canvas ref={canvas} className="absolute inset-0 h-full w-full" />
        {chosen && corner ? (
          <div
            className="bg-card/95 border-edge absolute top-3 left-3 flex items-center gap-2 rounded border py-1 pr-1 pl-2"
            onPointerDown={(e) => e.stopPropagation()}
            onPointerUp={(e) => e.stopPropagation()}
          >
            <output aria-label="Board" className="num whitespace-pre">
              board {chosen.number} at {number(corner.minX, view.unit)},{' '}
              {length(corner.minY, view.unit)}, {chosen.rotationDeg}°
            </output>
            <Button look="quiet" onClick={() => turn(chosen.number)} title="Turn it (T)">
              Turn
            </Button>
            <Button
              look="quiet"
              disabled={panel.boards.length < 2}
              onClick={() => takeOff(chosen.number)}
              title="Take it off the panel (Delete)"
            >
              Take off
            </Button>
          </div>
        ) : null}
      </div>
      <div className="border-edge bg-card flex items-center gap-0.5 border-t px-2 py-1 whitespace-nowrap">
        <output aria-label="Pointer position" className="num w-44 shrink-0 whitespace-pre">
          {pointer
            ? `${number(pointer[0], view.unit)}, ${number(pointer[1], view.unit)} ${view.unit}`
            : 'from its lower left'}
        </output>
        <Button look="quiet" onClick={view.cycleUnit} title="Change the unit (U)">
          {view.unit}
        </Button>
        <Button
          look="quiet"
          onClick={() => setPort((p) => (p ? fit(p, extent) : p))}
          title="Show the whole panel (Home)"
        >
          Fit
        </Button>
        <Toggle on={view.flipped} onClick={view.flip} title="See it from below (B)">
          Below
        </Toggle>
        <Lamp />
      </div>
    </div>
  );
}

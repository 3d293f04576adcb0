import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  api,
  type Changes,
  type Finding,
  type Job,
  type Parts,
  type Paths,
  type Under,
} from '../api/client';
import { MillOverlay } from '../mill/MillOverlay';
import { between, useMill } from '../mill/scene';
import { useTouch } from '../touch/scene';
import { useDrawing } from '../touch/useDrawing';
import { useView, type Film, type Focus, type Point } from '../store/view';
import { number } from '../units';
import { Films } from './Films';
import { ADDED, REMOVED, XRAY_A, XRAY_B } from './inks';
import { drawOverlay, type Over } from './overlay';
import { Renderer, tableColor, type FilmDrawing, type Lit } from './Renderer';
import { LastMeasure, TableBar } from './TableBar';
import { UnderPointer } from './UnderPointer';
import { filesKey, pictureKey, useChangedFilms, useLayers } from './useLayers';
import { fit, lookAt, movedTo, pan, toBoard, zoomAbout, type Viewport } from './viewport';

const HOLES = 'holes';
/** Boards with more holes than this are so large that their edges are not smoothed. */
const MANY_HOLES = 4000;
/** How long the view must lie still before the sharp picture is drawn, milliseconds. */
const REST_MS = 120;

function countFrame(box: HTMLElement | null): void {
  if (box) {
    box.dataset['frames'] = String(Number(box.dataset['frames'] ?? 0) + 1);
  }
}

/** Three dimensions are a large library: it is fetched when first asked for. */
const SolidView = lazy(() => import('./SolidView'));

/** The board on the lit table, with whatever the station lays over it. */
export function LightTable({
  job,
  findings,
  pieces,
  parts,
  paths,
  focus,
  shown,
  changes,
  milling,
  touching,
  before,
  over: station,
}: {
  job: Job;
  findings: readonly Finding[];
  /** Pieces of a net to light, each in its ink. */
  pieces: readonly Lit[];
  parts: Parts | null;
  paths: Paths | null;
  focus: Focus | null;
  shown: Record<string, Film> | null;
  changes: Changes | null;
  /** Whether the Mill station lays something on the table. */
  milling: boolean;
  /** Whether places are pointed out and dragged for the Touch up station. */
  touching: boolean;
  /** Whether the board is shown as its files have it. */
  before: boolean;
  /** What else the station draws over the films. */
  over: Over | null;
}) {
  const view = useView();
  const drawing = useMill((s) => (milling ? s.drawing : null));
  const frame = useRef<HTMLDivElement>(null);
  const films = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const renderer = useRef<Renderer | null>(null);
  const [port, setPort] = useState<Viewport>({
    cx: 0,
    cy: 0,
    scale: 1e-5,
    flipped: false,
    turn: 0,
    width: 0,
    height: 0,
  });
  const [failure, setFailure] = useState('');
  const [pointer, setPointer] = useState<Point | null>(null);
  const [under, setUnder] = useState<Under[]>([]);
  const [caught, setCaught] = useState<{ at: Point; kind: string } | null>(null);
  const [measureFrom, setMeasureFrom] = useState<Point | null>(null);
  const { meshes, ready, error } = useLayers(job, before);
  const changed = useChangedFilms(job, changes);
  const files = `${job.id}:${filesKey(job)}`;
  const key = `${job.id}:${pictureKey(job)}`;

  const filmOf = useCallback(
    (role: string): Film => view.films[role] ?? shown?.[role] ?? 'on',
    [view.films, shown],
  );
  const pointed = pointer && !view.measuring ? under.find((u) => u.net >= 0)?.net : undefined;
  const lit = view.net ?? pointed ?? null;
  const lights = useMemo((): readonly Lit[] => {
    return pieces.length > 0 ? pieces : lit === null ? [] : [{ net: lit }];
  }, [pieces, lit]);
  const live = useMemo(
    () => ({ ...port, flipped: view.flipped, turn: view.turn }),
    [port, view.flipped, view.turn],
  );
  const drawings = useMemo((): FilmDrawing[] => {
    if (view.xray) {
      const { a, b, mix } = view.xray;
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
  }, [view.xray, job.layers, filmOf, changed]);
  const marks = useMemo(
    (): Point[] => [
      ...(changes?.holes ?? []),
      ...(view.focus && view.focus.key.startsWith('found') ? [view.focus] : []),
    ],
    [changes, view.focus],
  );
  const roles = useMemo(
    () => job.layers.map((l) => l.role).filter((r) => filmOf(r) !== 'off'),
    [job.layers, filmOf],
  );

  // The drawing surface: one renderer for the life of this set of pictures.
  useEffect(() => {
    if (!films.current) {
      return undefined;
    }
    let made: Renderer;
    try {
      made = new Renderer(
        films.current,
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
  }, [key]);

  useEffect(() => {
    meshes.forEach((mesh, role) => renderer.current?.setFilm(role, mesh));
  }, [meshes, key]);

  useEffect(() => {
    changed.forEach((mesh, role) => renderer.current?.setFilm(role, mesh));
  }, [changed, key]);

  // Size follows the window; the first size, and a new board, fit the board.
  const fitted = useRef('');
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
        return fit(sized, job.board);
      });
    });
    observer.observe(box);
    return () => observer.disconnect();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the files stand for the board
  }, [files]);

  // Where a station sends the table, it goes; when there is nothing to look at any more, back to all.
  const focused = useRef(false);
  useEffect(() => {
    if (focus) {
      focused.current = true;
      // eslint-disable-next-line react-hooks/set-state-in-effect -- the table goes where asked
      setPort((p) => lookAt(p, focus.x, focus.y, focus.span));
    } else if (focused.current) {
      focused.current = false;
      setPort((p) => fit(p, job.board));
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a new focus moves the table
  }, [focus]);

  // Drawing a large board takes longer than a frame. So while the view moves, the finished picture is
  // moved with it, and a sharp one is drawn when it comes to rest or has been moved far.
  const drawn = useRef<Viewport | null>(null);
  const draw = useRef<() => void>(() => undefined);
  useEffect(() => {
    draw.current = () => {
      const ratio = window.devicePixelRatio || 1;
      for (const c of [films.current, over.current]) {
        if (c) {
          c.style.transform = '';
          if (c.width !== live.width * ratio || c.height !== live.height * ratio) {
            c.width = live.width * ratio;
            c.height = live.height * ratio;
          }
        }
      }
      drawn.current = live;
      // All films at once when they are all there: a large board takes long to draw.
      if (!ready) {
        return;
      }
      renderer.current?.draw(
        live,
        drawings,
        view.xray ? 'on' : filmOf(HOLES),
        { nets: lights, alone: view.net !== null || pieces.length > 0 },
        view.lamp,
      );
      const g = over.current?.getContext('2d');
      if (g) {
        drawOverlay(g, live, {
          unit: view.unit,
          findings,
          finding: view.finding,
          measures: view.measures,
          pending: {
            from: measureFrom,
            at: view.measuring ? (caught?.at ?? null) : null,
            caught: caught?.kind ?? 'none',
          },
          parts,
          part: view.part,
          over: station,
          paths,
          grid: view.grid,
          marks,
        });
      }
      countFrame(frame.current);
    };
  });

  useEffect(() => {
    const request = requestAnimationFrame(() => draw.current());
    return () => cancelAnimationFrame(request);
  }, [
    ready,
    live.flipped,
    live.turn,
    live.width,
    live.height,
    drawings,
    filmOf,
    meshes,
    marks,
    view,
    lights,
    pieces,
    findings,
    parts,
    station,
    paths,
    measureFrom,
    caught,
  ]);

  useEffect(() => {
    const request = requestAnimationFrame(() => {
      const transform = drawn.current && movedTo(drawn.current, live);
      if (!transform) {
        draw.current();
        return;
      }
      for (const c of [films.current, over.current]) {
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

  // What lies under the pointer, asked at most once at a time.
  const asking = useRef(false);
  useEffect(() => {
    if (!pointer || asking.current || !ready) {
      return;
    }
    asking.current = true;
    const x = Math.round(pointer.x);
    const y = Math.round(pointer.y);
    const ask = view.measuring
      ? api
          .snap(job.id, x, y, Math.round(10 / live.scale), roles)
          .then((s) => setCaught({ at: { x: s.x, y: s.y }, kind: s.kind }))
      : api.under(job.id, x, y, roles).then((u) => setUnder(u));
    ask
      .catch(() => setUnder([]))
      .finally(() => {
        asking.current = false;
      });
  }, [pointer, view.measuring, job.id, roles, live.scale, ready]);

  const pointing = useDrawing(touching, job.id, live, roles, frame);
  const isAsking = useTouch((s) => touching && s.asking !== null);
  const drag = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  const corner = useRef<Point | null>(null);
  const placeOf = (e: React.PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    const [x, y] = toBoard(live, e.clientX - box.left, e.clientY - box.top);
    return { x, y };
  };
  const onDown = (e: React.PointerEvent) => {
    if (drawing) {
      corner.current = placeOf(e);
      e.currentTarget.setPointerCapture(e.pointerId);
      return;
    }
    if (pointing.down(e)) {
      return;
    }
    drag.current = { x: e.clientX, y: e.clientY, moved: false };
    e.currentTarget.setPointerCapture(e.pointerId);
    frame.current?.focus();
  };
  const onMove = (e: React.PointerEvent) => {
    if (corner.current) {
      useMill.getState().show({ draft: between(corner.current, placeOf(e)) });
      return;
    }
    if (pointing.move(e)) {
      return;
    }
    const box = e.currentTarget.getBoundingClientRect();
    if (drag.current) {
      const dx = e.clientX - drag.current.x;
      const dy = e.clientY - drag.current.y;
      if (drag.current.moved || Math.hypot(dx, dy) > 3) {
        drag.current = { x: e.clientX, y: e.clientY, moved: true };
        setPort((p) => ({ ...pan({ ...p, flipped: view.flipped, turn: view.turn }, dx, dy) }));
      }
      return;
    }
    const [x, y] = toBoard(live, e.clientX - box.left, e.clientY - box.top);
    setPointer({ x, y });
  };
  const onUp = (e: React.PointerEvent) => {
    if (corner.current && drawing) {
      const area = between(corner.current, placeOf(e));
      corner.current = null;
      const isArea = area.maxX > area.minX && area.maxY > area.minY;
      useMill.getState().show({
        draft: null,
        drawing: null,
        drawn: isArea ? { use: drawing, area } : null,
      });
      return;
    }
    const clicked = drag.current !== null && !drag.current.moved;
    drag.current = null;
    if (pointing.up(e, clicked) || !clicked) {
      return;
    }
    const box = e.currentTarget.getBoundingClientRect();
    const [x, y] = toBoard(live, e.clientX - box.left, e.clientY - box.top);
    if (view.measuring) {
      void api
        .snap(job.id, Math.round(x), Math.round(y), Math.round(10 / live.scale), roles)
        .then((s) => placeMeasure({ x: s.x, y: s.y }));
    } else {
      pick(x, y);
    }
  };
  const placeMeasure = (at: Point) => {
    if (measureFrom) {
      const from = measureFrom;
      setMeasureFrom(null);
      void api
        .gap(job.id, from, at, roles)
        .catch(() => null)
        .then((g) =>
          view.addMeasure(
            from,
            at,
            g && g.nm > 0
              ? { nm: g.nm, from: { x: g.x0, y: g.y0 }, to: { x: g.x1, y: g.y1 } }
              : undefined,
          ),
        );
    } else {
      setMeasureFrom(at);
    }
  };
  const pick = (x: number, y: number) => {
    const reach = 14 / live.scale;
    const flag = findings
      .filter(
        (f) => Math.abs(f.at.x - x) < reach && y - f.at.y > -reach / 2 && y - f.at.y < 2 * reach,
      )
      .at(0);
    const part = parts?.parts.find((p) => Math.hypot(p.x - x, p.y - y) < reach);
    if (flag) {
      view.selectFinding(flag.id);
    } else if (part) {
      view.selectPart(part.designator);
    } else {
      const copper = under.find((u) => u.net >= 0);
      view.lightNet(copper && copper.net !== view.net ? copper.net : null);
    }
  };

  const onWheel = useCallback(
    (e: WheelEvent) => {
      e.preventDefault();
      const box = frame.current?.getBoundingClientRect();
      if (box) {
        const factor = Math.exp(-e.deltaY * 0.0016);
        setPort((p) => ({
          ...zoomAbout(
            { ...p, flipped: view.flipped, turn: view.turn },
            e.clientX - box.left,
            e.clientY - box.top,
            factor,
          ),
        }));
      }
    },
    [view.flipped, view.turn],
  );
  useEffect(() => {
    const box = frame.current;
    box?.addEventListener('wheel', onWheel, { passive: false });
    return () => box?.removeEventListener('wheel', onWheel);
  }, [onWheel]);

  const fitBoard = useCallback(
    () => setPort((p) => fit({ ...p, turn: view.turn }, job.board)),
    [job.board, view.turn],
  );
  // A turned board is laid out anew, as it may not fit any more.
  const turned = useRef(0);
  useEffect(() => {
    if (turned.current !== view.turn) {
      turned.current = view.turn;
      fitBoard();
    }
  }, [view.turn, fitBoard]);
  const onKey = (e: React.KeyboardEvent) => {
    if (pointing.key(e)) {
      return;
    }
    const step = 60;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [step, 0],
      ArrowRight: [-step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const move = moves[e.key];
    if (move) {
      e.preventDefault();
      setPort((p) => pan({ ...p, flipped: view.flipped, turn: view.turn }, move[0], move[1]));
    } else if (e.key === '+' || e.key === '-') {
      setPort((p) => zoomAbout(p, p.width / 2, p.height / 2, e.key === '+' ? 1.3 : 1 / 1.3));
    } else if (e.key === 'Home') {
      fitBoard();
    } else if (e.key === 'Escape') {
      setMeasureFrom(null);
      view.setMeasuring(false);
      view.lightNet(null);
    }
  };

  if (view.solid) {
    return (
      <div className="flex h-full min-w-0 flex-col">
        <Suspense
          fallback={
            <p role="status" className="grow p-4">
              Building the board …
            </p>
          }
        >
          <SolidView job={job} />
        </Suspense>
        <TableBar onFit={fitBoard} readout={`— ${view.unit}`} />
      </div>
    );
  }
  return (
    <div className="flex h-full min-w-0 flex-col">
      <Films job={job} filmOf={filmOf} holes={HOLES} />
      <div
        ref={frame}
        tabIndex={0}
        role="application"
        aria-label="Light table: drag to move, wheel to zoom, arrow keys, plus and minus"
        data-ready={ready}
        data-scale={live.scale}
        data-turn={live.turn}
        data-lit={lights.map((l) => l.net).join(',')}
        style={{ background: tableColor(view.lamp) }}
        data-center={`${Math.round(live.cx)},${Math.round(live.cy)}`}
        className={`relative min-h-0 grow overflow-hidden ${view.measuring || drawing || isAsking ? 'cursor-crosshair' : 'cursor-grab active:cursor-grabbing'}`}
        onPointerDown={onDown}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerLeave={() => setPointer(null)}
        onKeyDown={onKey}
      >
        <canvas ref={films} className="absolute inset-0 h-full w-full origin-top-left" />
        <canvas ref={over} className="absolute inset-0 h-full w-full origin-top-left" />
        {milling ? <MillOverlay port={live} /> : null}
        {!ready && !error && !failure ? (
          <p role="status" className="bg-card/90 absolute top-3 left-3 rounded px-3 py-1">
            Laying out {meshes.size} of {job.layers.length} films …
          </p>
        ) : null}
        {error || failure ? (
          <p role="alert" className="bg-card text-stop absolute top-3 left-3 rounded px-3 py-1">
            {error || failure}
          </p>
        ) : null}
        {ready ? <LastMeasure /> : null}
        {pointer && !view.measuring ? <UnderPointer under={under} /> : null}
        {view.flipped ? (
          <p className="bg-petrol absolute top-3 right-3 rounded px-2 py-0.5 text-white">
            seen from below
          </p>
        ) : null}
      </div>
      <TableBar
        onFit={fitBoard}
        readout={
          pointer
            ? `${number(pointer.x, view.unit)}  ${number(pointer.y, view.unit)} ${view.unit}`
            : `— ${view.unit}`
        }
      />
    </div>
  );
}

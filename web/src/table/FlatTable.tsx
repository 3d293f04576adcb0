import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { api, type Changes, type Finding, type Job, type Parts, type Paths } from '../api/client';
import { MillOverlay } from '../mill/MillOverlay';
import { between, useMill } from '../mill/scene';
import { useTouch } from '../touch/scene';
import { useDrawing } from '../touch/useDrawing';
import { useView, type Film, type Focus, type Point } from '../store/view';
import { number } from '../units';
import { Films } from './Films';
import { drawingsOf } from './films';
import { Gestures, type Touched } from './gestures';
import { drawOverlay, type Over } from './overlay';
import { pick } from './pick';
import { tableColor, type Lit } from './Renderer';
import { LastMeasure, TableBar } from './TableBar';
import { UnderPointer } from './UnderPointer';
import { filesKey, pictureKey, useChangedFilms, useLayers } from './useLayers';
import { usePicture } from './usePicture';
import { netAt, useCaught, useUnder } from './usePointed';
import { useRenderer } from './useRenderer';
import { useViewport } from './useViewport';
import { toBoard } from './viewport';

const HOLES = 'holes';

/** How far an arrow key moves the board, pixels, and how much a key zooms. */
const STEP_PX = 60;
const KEY_ZOOM = 1.3;
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [STEP_PX, 0],
  ArrowRight: [-STEP_PX, 0],
  ArrowUp: [0, STEP_PX],
  ArrowDown: [0, -STEP_PX],
};

/** What a station lays on the table. */
export interface OnTable {
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
}

/** The board's films on the lit table, with whatever the station lays over them. */
export function FlatTable({
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
}: OnTable) {
  const view = useView();
  const drawing = useMill((s) => (milling ? s.drawing : null));
  const frame = useRef<HTMLDivElement>(null);
  const films = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const [pointer, setPointer] = useState<Point | null>(null);
  const [measureFrom, setMeasureFrom] = useState<Point | null>(null);
  const { meshes, ready, error } = useLayers(job, before);
  const changed = useChangedFilms(job, changes);
  const { port, panBy, zoomAt, fitBoard } = useViewport(
    frame,
    job.board,
    `${job.id}:${filesKey(job)}`,
    focus,
  );
  const { renderer, failure, generation } = useRenderer(
    films,
    job,
    `${job.id}:${pictureKey(job)}`,
    [meshes, changed],
  );

  const filmOf = useCallback(
    (role: string): Film => view.films[role] ?? shown?.[role] ?? 'on',
    [view.films, shown],
  );
  const roles = useMemo(
    () => job.layers.map((l) => l.role).filter((r) => filmOf(r) !== 'off'),
    [job.layers, filmOf],
  );
  const pointed = useMemo(
    () => (pointer && !view.measuring && ready ? netAt(meshes, roles, pointer) : null),
    [pointer, view.measuring, ready, meshes, roles],
  );
  const under = useUnder(job.id, view.measuring || !ready ? null : pointer, roles);
  const caught = useCaught(job.id, view.measuring && ready ? pointer : null, roles, port.scale);
  const lit = view.net ?? pointed;
  const lights = useMemo((): readonly Lit[] => {
    return pieces.length > 0 ? pieces : lit === null ? [] : [{ net: lit }];
  }, [pieces, lit]);
  const drawings = useMemo(
    () => drawingsOf(job, view.xray, filmOf, changed),
    [job, view.xray, filmOf, changed],
  );
  const marks = useMemo(
    (): Point[] => [
      ...(changes?.holes ?? []),
      ...(view.focus && view.focus.key.startsWith('found') ? [view.focus] : []),
    ],
    [changes, view.focus],
  );

  const paint = () => {
    // All films at once when they are all there: a large board takes long to draw.
    if (!ready || !renderer.current) {
      return false;
    }
    renderer.current.draw(
      port,
      drawings,
      view.xray ? 'on' : filmOf(HOLES),
      { nets: lights, alone: view.net !== null || pieces.length > 0 },
      view.lamp,
    );
    const g = over.current?.getContext('2d');
    if (g) {
      drawOverlay(g, port, {
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
    return true;
  };
  usePicture(frame, [films, over], port, paint, [
    ready,
    generation,
    failure,
    drawings,
    filmOf,
    meshes,
    changed,
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

  const pointing = useDrawing(touching, job.id, port, roles, frame);
  const isAsking = useTouch((s) => touching && s.asking !== null);

  const placeMeasure = (at: Point) => {
    if (!measureFrom) {
      setMeasureFrom(at);
      return;
    }
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
  };
  const point = (px: number, py: number) => {
    const [x, y] = toBoard(port, px, py);
    setPointer({ x, y });
  };
  const tap = (px: number, py: number) => {
    const [x, y] = toBoard(port, px, py);
    // A finger does not hover: what it taps is also what it points at.
    point(px, py);
    if (view.measuring) {
      void api
        .snap(job.id, Math.round(x), Math.round(y), Math.round(10 / port.scale), roles)
        .then((s) => placeMeasure({ x: s.x, y: s.y }));
      return;
    }
    const net = ready ? netAt(meshes, roles, { x, y }) : null;
    const picked = pick({ x, y }, port.scale, findings, parts, net);
    if (picked.kind === 'finding') {
      view.selectFinding(picked.id);
    } else if (picked.kind === 'part') {
      view.selectPart(picked.designator);
    } else {
      view.lightNet(picked.net !== view.net ? picked.net : null);
    }
  };

  const [gestures] = useState(() => new Gestures());
  useEffect(() => {
    gestures.mean({ hover: point, pan: panBy, zoom: zoomAt, tap, hold: point });
  });
  const corner = useRef<Point | null>(null);

  const touchedBy = (e: React.PointerEvent): Touched => {
    const box = e.currentTarget.getBoundingClientRect();
    const kind = e.pointerType === 'touch' || e.pointerType === 'pen' ? e.pointerType : 'mouse';
    return { id: e.pointerId, kind, x: e.clientX - box.left, y: e.clientY - box.top };
  };
  const placeOf = (e: React.PointerEvent): Point => {
    const at = touchedBy(e);
    const [x, y] = toBoard(port, at.x, at.y);
    return { x, y };
  };
  const onDown = (e: React.PointerEvent) => {
    if (e.button > 0) {
      return;
    }
    if (drawing) {
      corner.current = placeOf(e);
      e.currentTarget.setPointerCapture(e.pointerId);
      return;
    }
    if (!gestures.busy && pointing.down(e)) {
      return;
    }
    e.currentTarget.setPointerCapture(e.pointerId);
    frame.current?.focus();
    gestures.press(touchedBy(e));
  };
  const onMove = (e: React.PointerEvent) => {
    if (corner.current) {
      useMill.getState().show({ draft: between(corner.current, placeOf(e)) });
    } else if (!pointing.move(e)) {
      gestures.move(touchedBy(e));
    }
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
    if (pointing.takes()) {
      const clicked = gestures.isTap(e.pointerId);
      gestures.cancel(e.pointerId);
      pointing.up(e, clicked);
      return;
    }
    gestures.release(touchedBy(e));
  };
  const letGo = useCallback(() => {
    gestures.cancel();
    corner.current = null;
    setMeasureFrom(null);
    setPointer(null);
    useMill.getState().show({ draft: null, drawing: null });
  }, [gestures]);
  const onCancel = (e: React.PointerEvent) => {
    gestures.cancel(e.pointerId);
    pointing.cancel();
    corner.current = null;
  };

  // Esc ends what the pointer is doing, wherever the focus is.
  const escaped = useView((s) => s.escaped);
  const seen = useRef(escaped);
  useEffect(() => {
    if (seen.current !== escaped) {
      seen.current = escaped;
      letGo();
    }
  }, [escaped, letGo]);

  const onKey = (e: React.KeyboardEvent) => {
    if (pointing.key(e)) {
      return;
    }
    const move = MOVES[e.key];
    if (move) {
      e.preventDefault();
      panBy(move[0], move[1]);
    } else if (e.key === '+' || e.key === '-') {
      zoomAt(port.width / 2, port.height / 2, e.key === '+' ? KEY_ZOOM : 1 / KEY_ZOOM);
    } else if (e.key === 'Home') {
      fitBoard();
    }
  };

  return (
    <div className="flex h-full min-w-0 flex-col">
      <Films job={job} filmOf={filmOf} holes={HOLES} />
      <div
        ref={frame}
        tabIndex={0}
        role="application"
        aria-label="Light table: drag to move, wheel or two fingers to zoom, arrow keys, plus and minus"
        data-ready={ready}
        data-scale={port.scale}
        data-turn={port.turn}
        data-lit={lights.map((l) => l.net).join(',')}
        style={{ background: tableColor(view.lamp) }}
        data-center={`${Math.round(port.cx)},${Math.round(port.cy)}`}
        className={`relative min-h-0 grow touch-none overflow-hidden ${view.measuring || drawing || isAsking ? 'cursor-crosshair' : 'cursor-grab active:cursor-grabbing'}`}
        onPointerDown={onDown}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerCancel={onCancel}
        onPointerLeave={(e) => (e.pointerType === 'touch' ? undefined : setPointer(null))}
        onContextMenu={(e) => e.preventDefault()}
        onKeyDown={onKey}
      >
        <canvas ref={films} className="absolute inset-0 h-full w-full origin-top-left" />
        <canvas ref={over} className="absolute inset-0 h-full w-full origin-top-left" />
        {milling ? <MillOverlay port={port} /> : null}
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

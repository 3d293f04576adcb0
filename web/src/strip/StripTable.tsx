import { useMemo, useRef, useState } from 'react';
import type { StripResult } from '../api/client';
import { Button, Toggle } from '../ui/Button';
import {
  bent,
  cut,
  knifed,
  leadAt,
  linked,
  moved,
  placed,
  same,
  turned,
  without,
  stood,
  type Hole,
  type Plan,
} from './plan';
import { useStripState, type Tool } from './useStrip';

const TOOLS: { tool: Tool; text: string; hint: string }[] = [
  { tool: 'parts', text: 'Move parts', hint: 'Drag a part, or the end of a lead.' },
  { tool: 'cut', text: 'Cut', hint: 'Click a hole to cut the strip there; click again to undo.' },
  {
    tool: 'link',
    text: 'Link',
    hint: 'Drag from hole to hole; drag the same way again to remove.',
  },
];

/** How far from the middle between two holes a click still means the gap between them. */
const KNIFE = 0.22;
const ZOOMS = [1, 1.5, 2, 3];

type Drag =
  | { kind: 'part'; name: string; from: Hole; to: Hole }
  | { kind: 'lead'; name: string; pin: string; to: Hole }
  | { kind: 'link'; from: Hole; to: Hole };

/** The strip board: parts are moved, strips cut and links drawn here, by mouse, finger or keys. */
export function StripTable({
  view,
  plan,
  onChange,
}: {
  view: StripResult;
  plan: Plan;
  onChange: (next: Plan) => void;
}) {
  const state = useStripState();
  const { tool, cursor, copperSide } = state;
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const [linkFrom, setLinkFrom] = useState<Hole | null>(null);
  const [pointed, setPointed] = useState<Hole | null>(null);
  const [zoom, setZoom] = useState(0);
  const [focused, setFocused] = useState(false);
  const p = view.pitchMm;
  const width = (plan.holes - 1) * p;
  const height = (plan.strips - 1) * p;
  const x = (h: number) => (copperSide ? width - h * p : h * p);
  const y = (s: number) => s * p;

  const pieceAt = useMemo(() => {
    const map = new Map<string, StripResult['pieces'][number]>();
    for (const piece of view.pieces) {
      for (let h = piece.first; h <= piece.last; h++) {
        map.set(`${piece.strip}/${h}`, piece);
      }
    }
    return map;
  }, [view.pieces]);
  const over = pointed ?? cursor;
  const lit = pointed || focused ? (pieceAt.get(`${over[0]}/${over[1]}`)?.group ?? -1) : -1;
  const part = (name: string) => view.parts.find((q) => q.designator === name);
  const leads = useMemo(() => {
    const map = new Map<string, string>();
    plan.parts.forEach((q) =>
      Object.entries(q.pins).forEach(([pin, at]) =>
        map.set(at.join('/'), `${q.designator}.${pin}`),
      ),
    );
    return map;
  }, [plan]);

  /** The hole under a pointer, and how far beside it, in pitches. */
  const under = (e: React.PointerEvent | React.MouseEvent): { at: Hole; beside: number } => {
    const box = svg.current;
    const matrix = box?.getScreenCTM();
    if (!box || !matrix) {
      return { at: [0, 0], beside: 0 };
    }
    const q = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    const along = (copperSide ? width - q.x : q.x) / p;
    const h = Math.max(0, Math.min(plan.holes - 1, Math.round(along)));
    const s = Math.max(0, Math.min(plan.strips - 1, Math.round(q.y / p)));
    return { at: [s, h], beside: along - h };
  };

  const put = (at: Hole) => {
    const wanted = state.placing === null ? undefined : part(state.placing);
    if (wanted) {
      onChange(placed(plan, wanted, at));
      state.set({ placing: null, part: wanted.designator });
      return true;
    }
    return false;
  };
  const cutAt = (at: Hole, beside = 0) => {
    const between = Math.abs(Math.abs(beside) - 0.5) < KNIFE;
    if (view.knife && between) {
      onChange(knifed(plan, beside > 0 ? at : [at[0], at[1] - 1]));
    } else if (!view.gaps.some((g) => g[0] === at[0] && g[1] === at[1])) {
      onChange(cut(plan, at));
    }
  };

  const onDown = (e: React.PointerEvent<SVGSVGElement>) => {
    if (e.button > 0) {
      return;
    }
    const { at, beside } = under(e);
    state.set({ cursor: at });
    svg.current?.focus();
    if (put(at)) {
      return;
    }
    if (tool === 'cut') {
      cutAt(at, beside);
      return;
    }
    e.currentTarget.setPointerCapture(e.pointerId);
    if (tool === 'link') {
      setDrag({ kind: 'link', from: at, to: at });
      return;
    }
    const body = (e.target as Element).closest('[data-part]')?.getAttribute('data-part');
    const lead = leadAt(plan, at);
    const name = body ?? lead?.part.designator ?? null;
    state.set({ part: name });
    if (lead && part(lead.part.designator)?.kind !== 'fixed' && !body) {
      setDrag({ kind: 'lead', name: lead.part.designator, pin: lead.pin, to: at });
    } else if (name) {
      setDrag({ kind: 'part', name, from: at, to: at });
    }
  };
  const onMove = (e: React.PointerEvent) => {
    const { at } = under(e);
    setPointed(at);
    if (drag) {
      setDrag({ ...drag, to: at });
    }
  };
  const onUp = () => {
    if (!drag) {
      return;
    }
    setDrag(null);
    const { to } = drag;
    if (drag.kind === 'link' && !same(drag.from, to)) {
      onChange(linked(plan, drag.from, to));
    } else if (drag.kind === 'part' && !same(drag.from, to)) {
      onChange(moved(plan, drag.name, to[0] - drag.from[0], to[1] - drag.from[1]));
    } else if (drag.kind === 'lead') {
      const before = plan.parts.find((q) => q.designator === drag.name)?.pins[drag.pin];
      if (before && !same(before, to)) {
        onChange(bent(plan, drag.name, drag.pin, to));
      }
    }
  };

  const arrow = (key: string): Hole | null => {
    const along = copperSide ? -1 : 1;
    switch (key) {
      case 'ArrowUp':
        return [-1, 0];
      case 'ArrowDown':
        return [1, 0];
      case 'ArrowLeft':
        return [0, -along];
      case 'ArrowRight':
        return [0, along];
      default:
        return null;
    }
  };
  const onKey = (e: React.KeyboardEvent) => {
    const by = arrow(e.key);
    const held = state.part;
    const heldPart = held === null ? undefined : part(held);
    const done = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    if (by && e.shiftKey && held !== null) {
      done();
      onChange(moved(plan, held, by[0], by[1]));
    } else if (by) {
      done();
      setPointed(null);
      state.set({
        cursor: [
          Math.max(0, Math.min(plan.strips - 1, cursor[0] + by[0])),
          Math.max(0, Math.min(plan.holes - 1, cursor[1] + by[1])),
        ],
      });
    } else if (e.key === 'Enter' || e.key === ' ') {
      done();
      if (put(cursor)) {
        return;
      }
      if (tool === 'cut') {
        cutAt(cursor);
      } else if (tool === 'link') {
        if (linkFrom) {
          onChange(linked(plan, linkFrom, cursor));
        }
        setLinkFrom(linkFrom ? null : cursor);
      } else {
        state.set({ part: leadAt(plan, cursor)?.part.designator ?? null });
      }
    } else if (e.key === 'Escape') {
      done();
      setDrag(null);
      setLinkFrom(null);
      state.set({ placing: null, part: null });
    } else if (e.key === 'r' && held !== null) {
      done();
      onChange(turned(plan, held));
    } else if (e.key === 'u' && heldPart?.canStand) {
      done();
      onChange(stood(plan, heldPart));
    } else if (e.key === 'Delete' && held !== null) {
      done();
      onChange(without(plan, held));
      state.set({ part: null });
    } else if (e.key === 'k' && view.knife && tool === 'cut') {
      done();
      onChange(knifed(plan, cursor));
    }
  };

  const piece = pieceAt.get(`${over[0]}/${over[1]}`);
  const here = leads.get(over.join('/'));
  const says = [
    `strip ${over[0]}, hole ${over[1]}`,
    here ? `${here}` : '',
    piece ? piece.net || 'no net' : 'no copper',
  ]
    .filter((w) => w !== '')
    .join(' · ');
  const finding = view.findings.find((f) => f.id === state.finding);
  const shift = (name: string): string =>
    drag?.kind === 'part' && drag.name === name
      ? `translate(${x(drag.to[1]) - x(drag.from[1])} ${y(drag.to[0]) - y(drag.from[0])})`
      : '';
  const room = p * 1.6;
  const z = ZOOMS[zoom] ?? 1;
  return (
    <div className="flex h-full flex-col">
      <div className="border-edge bg-card flex flex-wrap items-center gap-1.5 border-b px-3 py-1.5">
        {TOOLS.map((t) => (
          <Toggle
            key={t.tool}
            on={tool === t.tool}
            data-tool={t.tool}
            title={t.hint}
            onClick={() => state.set({ tool: t.tool, placing: null })}
          >
            {t.text}
          </Toggle>
        ))}
        <span className="bg-edge mx-1 h-5 w-px" />
        <Toggle on={!copperSide} onClick={() => state.set({ copperSide: false })}>
          Part side
        </Toggle>
        <Toggle on={copperSide} data-face="copper" onClick={() => state.set({ copperSide: true })}>
          Copper side, mirrored
        </Toggle>
        <span className="grow" />
        <Button
          aria-label="Nearer"
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(zoom + 1)}
        >
          +
        </Button>
        <Button aria-label="Farther" disabled={zoom === 0} onClick={() => setZoom(zoom - 1)}>
          −
        </Button>
      </div>
      <div className="min-h-0 grow overflow-auto bg-[#e9dcc2] p-2">
        <svg
          ref={svg}
          role="application"
          aria-label="Strip board"
          aria-describedby="strip-says"
          tabIndex={0}
          data-parts={plan.parts.length}
          data-cuts={plan.cuts.length + plan.knifeCuts.length}
          data-links={plan.links.length}
          viewBox={`${-room} ${-room} ${width + 2 * room} ${height + 2 * room}`}
          style={{
            width: `${100 * z}%`,
            height: `${100 * z}%`,
            touchAction: z > 1 ? 'pan-x pan-y' : 'none',
          }}
          className="select-none"
          onPointerDown={onDown}
          onPointerMove={onMove}
          onPointerUp={onUp}
          onPointerCancel={() => setDrag(null)}
          onPointerLeave={() => setPointed(null)}
          onFocus={() => setFocused(true)}
          onBlur={() => setFocused(false)}
          onKeyDown={onKey}
        >
          <rect
            x={-p * 0.5}
            y={-p * 0.5}
            width={width + p}
            height={height + p}
            fill={copperSide ? '#d9b88c' : '#cfa873'}
            stroke="#7a5a36"
            strokeWidth={0.15}
          />
          {view.pieces.map((q) => (
            <rect
              key={`${q.strip}/${q.first}`}
              data-lit={q.group === lit || undefined}
              x={Math.min(x(q.first), x(q.last)) - p * 0.5 + 0.2}
              y={y(q.strip) - p * 0.4}
              width={(q.last - q.first) * p + p - 0.4}
              height={p * 0.8}
              fill={q.group === lit ? '#e4572e' : copperSide ? '#c77f3f' : '#bf9360'}
              opacity={q.group === lit ? 0.75 : copperSide ? 1 : 0.75}
            />
          ))}
          {Array.from({ length: plan.strips }, (_, s) =>
            Array.from({ length: plan.holes }, (_, h) => (
              <circle key={`${s}/${h}`} cx={x(h)} cy={y(s)} r={0.45} fill="#4a3722" />
            )),
          )}
          {plan.cuts.map(([s, h]) => (
            <g key={`c${s}/${h}`} data-cut={`${s}/${h}`} transform={`translate(${x(h)} ${y(s)})`}>
              <circle r={p * 0.47} fill="#f1e6cf" stroke="#93281a" strokeWidth={0.2} />
              <path
                d="M-0.7 -0.7 L0.7 0.7 M-0.7 0.7 L0.7 -0.7"
                stroke="#93281a"
                strokeWidth={0.3}
              />
            </g>
          ))}
          {plan.knifeCuts.map(([s, h]) => (
            <path
              key={`k${s}/${h}`}
              d={`M${(x(h) + x(h + 1)) / 2} ${y(s) - p * 0.45} v${p * 0.9}`}
              stroke="#93281a"
              strokeWidth={0.4}
            />
          ))}
          {plan.links.map(([a, b], i) => (
            <Wire key={i} from={[x(a[1]), y(a[0])]} to={[x(b[1]), y(b[0])]} faint={copperSide} />
          ))}
          {plan.parts.map((q) => {
            const ring = part(q.designator)?.body ?? [];
            const ends = Object.values(q.pins);
            const [from, to] = ends;
            return (
              <g key={q.designator} transform={shift(q.designator)}>
                {ends.length === 2 && from && to ? (
                  <line
                    x1={x(from[1])}
                    y1={y(from[0])}
                    x2={x(to[1])}
                    y2={y(to[0])}
                    stroke="#8b9498"
                    strokeWidth={0.5}
                    opacity={copperSide ? 0.3 : 1}
                  />
                ) : null}
                {ring.length > 0 ? (
                  <Body
                    name={q.designator}
                    ring={ring}
                    mirror={copperSide ? width : null}
                    held={state.part === q.designator}
                    faint={copperSide}
                    value={part(q.designator)?.value ?? ''}
                  />
                ) : null}
              </g>
            );
          })}
          {plan.parts.map((q) => (
            <g key={q.designator} transform={shift(q.designator)}>
              {Object.entries(q.pins).map(([pin, at], i) => {
                const to =
                  drag?.kind === 'lead' && drag.name === q.designator && drag.pin === pin
                    ? drag.to
                    : at;
                return (
                  <g
                    key={pin}
                    transform={`translate(${x(to[1])} ${y(to[0])})`}
                    data-lead={`${q.designator}.${pin}`}
                  >
                    <circle
                      r={0.62}
                      fill="#dfe4e6"
                      stroke={i === 0 ? '#1c5a63' : '#3b4346'}
                      strokeWidth={i === 0 ? 0.3 : 0.12}
                    />
                    {Object.keys(q.pins).length > 2 ? (
                      <text
                        fontSize={0.8}
                        textAnchor="middle"
                        dominantBaseline="central"
                        fill="#2f2a24"
                      >
                        {pin}
                      </text>
                    ) : null}
                  </g>
                );
              })}
              <Name
                name={q.designator}
                ring={part(q.designator)?.body ?? []}
                mirror={copperSide ? width : null}
                leads={Object.values(q.pins).map((h) => [x(h[1]), y(h[0])])}
              />
            </g>
          ))}
          {drag?.kind === 'link' ? (
            <Wire
              from={[x(drag.from[1]), y(drag.from[0])]}
              to={[x(drag.to[1]), y(drag.to[0])]}
              faint={false}
            />
          ) : null}
          {linkFrom ? (
            <circle
              cx={x(linkFrom[1])}
              cy={y(linkFrom[0])}
              r={0.9}
              fill="none"
              stroke="#1c5a63"
              strokeWidth={0.3}
            />
          ) : null}
          {finding && finding.at.length === 2 ? (
            <circle
              data-finding-mark
              cx={copperSide ? width - (finding.at[0] ?? 0) : (finding.at[0] ?? 0)}
              cy={finding.at[1]}
              r={p * 0.9}
              fill="none"
              stroke="#93281a"
              strokeWidth={0.35}
            />
          ) : null}
          {focused ? (
            <rect
              x={x(cursor[1]) - p * 0.45}
              y={y(cursor[0]) - p * 0.45}
              width={p * 0.9}
              height={p * 0.9}
              fill="none"
              stroke="#1c5a63"
              strokeWidth={0.2}
              strokeDasharray="0.5 0.35"
            />
          ) : null}
          {Array.from({ length: plan.holes }, (_, h) =>
            h % 5 === 0 ? (
              <text
                key={h}
                x={x(h)}
                y={-p * 0.85}
                fontSize={1.3}
                textAnchor="middle"
                fill="#5a4a33"
              >
                {h}
              </text>
            ) : null,
          )}
          {Array.from({ length: plan.strips }, (_, s) => (
            <text
              key={s}
              x={-p * 0.75}
              y={y(s) + 0.45}
              fontSize={1.2}
              textAnchor="end"
              fill="#5a4a33"
            >
              {s}
            </text>
          ))}
        </svg>
      </div>
      <p id="strip-says" role="status" className="border-edge bg-card num border-t px-3 py-1">
        {state.placing ? `Click the hole for the first lead of ${state.placing}. ` : ''}
        {linkFrom ? `Link from strip ${linkFrom[0]}, hole ${linkFrom[1]} to: ` : ''}
        {says}
      </p>
    </div>
  );
}

function Wire({
  from,
  to,
  faint,
}: {
  from: [number, number];
  to: [number, number];
  faint: boolean;
}) {
  return (
    <g opacity={faint ? 0.35 : 1} pointerEvents="none">
      <line
        x1={from[0]}
        y1={from[1]}
        x2={to[0]}
        y2={to[1]}
        stroke="#1c5a63"
        strokeWidth={0.7}
        strokeLinecap="round"
      />
      {[from, to].map(([cx, cy], i) => (
        <circle key={i} cx={cx} cy={cy} r={0.6} fill="#1c5a63" />
      ))}
    </g>
  );
}

function Body({
  name,
  ring,
  mirror,
  held,
  faint,
  value,
}: {
  name: string;
  ring: readonly number[];
  mirror: number | null;
  held: boolean;
  faint: boolean;
  value: string;
}) {
  const points = corners(ring, mirror);
  return (
    <g data-part={name} opacity={faint ? 0.3 : 1} className="cursor-grab">
      <polygon
        points={points.map((q) => q.join(',')).join(' ')}
        fill="#fbf7ee"
        fillOpacity={0.8}
        stroke={held ? '#9c4a2b' : '#3b4346'}
        strokeWidth={held ? 0.45 : 0.18}
      >
        <title>{`${name} ${value}`}</title>
      </polygon>
    </g>
  );
}

function corners(ring: readonly number[], mirror: number | null): [number, number][] {
  const points: [number, number][] = [];
  for (let i = 0; i + 1 < ring.length; i += 2) {
    const x = ring[i] ?? 0;
    points.push([mirror === null ? x : mirror - x, ring[i + 1] ?? 0]);
  }
  return points;
}

/** The designator on its body, beside the leads where one stands in the middle. */
function Name({
  name,
  ring,
  mirror,
  leads,
}: {
  name: string;
  ring: readonly number[];
  mirror: number | null;
  leads: readonly (readonly number[])[];
}) {
  const points = corners(ring, mirror);
  if (points.length === 0) {
    return null;
  }
  const xs = points.map((q) => q[0]);
  const ys = points.map((q) => q[1]);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const upright = bottom - top > (right - left) * 1.4 && right - left < 4;
  const tiny = right - left < 3 && bottom - top < 3;
  const places: [number, number][] = tiny
    ? [[(left + right) / 2, top + 0.1]]
    : [
        [(left + right) / 2, (top + bottom) / 2],
        [(left + right) / 2, (top + bottom) / 2 - 1.27],
        [(left + right) / 2 + (upright ? 0 : 1.4), (top + bottom) / 2 - (upright ? 1.27 : 0)],
        [right - 1.1, (top + bottom) / 2],
        [(left + right) / 2, top + 0.9],
      ];
  const isFree = ([px, py]: [number, number]) =>
    leads.every((l) => Math.hypot((l[0] ?? 0) - px, (l[1] ?? 0) - py) > 1.15);
  const [cx, cy] = places.find(isFree) ?? places[0] ?? [0, 0];
  return (
    <text
      transform={`translate(${cx} ${cy})${upright && !tiny ? ' rotate(-90)' : ''}`}
      fontSize={tiny ? 0.95 : 1.25}
      fontWeight={600}
      textAnchor="middle"
      dominantBaseline="central"
      fill="#2f2a24"
      stroke="#fbf7ee"
      strokeWidth={0.3}
      paintOrder="stroke"
      pointerEvents="none"
    >
      {name}
    </text>
  );
}

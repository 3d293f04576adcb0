import type { Job, NamedPlace, NetLine, Parts } from '../api/client';
import type { Focus } from '../store/view';
import { length, nmPer, type Unit } from '../units';

/** Something that was looked for, and where it is. */
export interface Hit {
  key: string;
  kind: 'net' | 'part' | 'hole' | 'place';
  text: string;
  note: string;
  net?: number;
  focus: Focus;
}

const MOST = 40;
const NEAR = 8e6;

/** A place such as "12.5, 30" or "12.5 30 mm", in nm; null for anything else. */
export function parsePlace(text: string, unit: Unit): { x: number; y: number } | null {
  const m = /^\s*([-+]?\d*\.?\d+)\s*(?:[,;]\s*|\s+)([-+]?\d*\.?\d+)\s*(mm|mil|inch)?\s*$/i.exec(
    text,
  );
  if (!m) {
    return null;
  }
  const nm = nmPer((m[3]?.toLowerCase() as Unit | undefined) ?? unit);
  return { x: Math.round(Number(m[1]) * nm), y: Math.round(Number(m[2]) * nm) };
}

/** A hole size such as "0.8" or "0.8 mm" in nm; null for anything else. */
function parseSize(text: string, unit: Unit): number | null {
  const m = /^\s*ø?\s*(\d*\.?\d+)\s*(mm|mil|inch)?\s*$/i.exec(text);
  return m ? Number(m[1]) * nmPer((m[2]?.toLowerCase() as Unit | undefined) ?? unit) : null;
}

function netFocus(n: NetLine): Focus {
  const span = Math.max(n.maxX - n.minX, n.maxY - n.minY, 2e6) * 1.3;
  return { key: `net ${n.net}`, x: (n.minX + n.maxX) / 2, y: (n.minY + n.maxY) / 2, span };
}

/** Everything that fits the words: nets and parts by name, holes by size, a place. */
export function search(
  text: string,
  unit: Unit,
  job: Job,
  nets: readonly NetLine[],
  parts: Parts | null,
  places: readonly NamedPlace[],
): Hit[] {
  const words = text.trim().toLowerCase();
  if (!words) {
    return [];
  }
  const hits: Hit[] = [];
  const place = parsePlace(text, unit);
  if (place) {
    const note = `${length(place.x, unit)}, ${length(place.y, unit)}`;
    hits.push({
      key: 'place',
      kind: 'place',
      text: 'this place',
      note,
      focus: { key: `found ${note}`, ...place, span: NEAR },
    });
  }
  const size = parseSize(text, unit);
  job.holes.forEach((h, i) => {
    if (size !== null && Math.abs(h.diameter - size) < 5_000 && hits.length < MOST) {
      const x = (h.x0 + h.x1) / 2;
      const y = (h.y0 + h.y1) / 2;
      hits.push({
        key: `hole ${i}`,
        kind: 'hole',
        text: `${h.plated ? 'plated' : 'unplated'} hole ${length(h.diameter, unit)}`,
        note: `at ${length(x, unit)}, ${length(y, unit)}`,
        focus: { key: `found hole ${i}`, x, y, span: NEAR },
      });
    }
  });
  const rank = (name: string) => {
    const n = name.toLowerCase();
    return n === words ? 0 : n.startsWith(words) ? 1 : n.includes(words) ? 2 : 3;
  };
  const placed = new Set((parts?.parts ?? []).map((p) => p.designator));
  const named = [
    ...places
      .filter((p) => !placed.has(p.designator) && rank(p.designator) < 3)
      .map((p): Hit & { rank: number } => ({
        rank: rank(p.designator),
        key: `pads ${p.designator}`,
        kind: 'part',
        text: p.designator,
        note: 'pads only, not in the placement',
        focus: { key: `found ${p.designator}`, x: p.x, y: p.y, span: 14e6 },
      })),
    ...(parts?.parts ?? [])
      .filter((p) => rank(p.designator) < 3)
      .map((p): Hit & { rank: number } => ({
        rank: rank(p.designator),
        key: `part ${p.designator}`,
        kind: 'part',
        text: p.designator,
        note: [p.value, p.side].filter(Boolean).join(', '),
        focus: { key: `found ${p.designator}`, x: p.x, y: p.y, span: 14e6 },
      })),
    ...nets
      .filter((n) => rank(n.name) < 3)
      .map((n): Hit & { rank: number } => ({
        rank: rank(n.name),
        key: `net ${n.net}`,
        kind: 'net',
        text: n.name,
        note: `net, ${n.pads} pads`,
        net: n.net,
        focus: netFocus(n),
      })),
  ].sort((a, b) => a.rank - b.rank || a.text.localeCompare(b.text, 'en', { numeric: true }));
  return [...hits, ...named].slice(0, MOST);
}

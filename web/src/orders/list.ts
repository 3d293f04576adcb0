import type { DeskLine, DeskPlaced } from '../api/client';

/** What a state of a line is called, the worst first. */
export const LINE_STATES: readonly { state: string; says: string; look: string }[] = [
  { state: 'unknown', says: 'not recognised', look: 'text-stop' },
  { state: 'short', says: 'not in stock', look: 'text-stop' },
  { state: 'proposed', says: 'proposed', look: 'text-look' },
  { state: 'other-packaging', says: 'other packaging', look: 'text-faint' },
  { state: 'found', says: 'found', look: 'text-good' },
];

/** How many lines of each state: "9 found, 1 not in stock". */
export function counted(lines: readonly DeskLine[]): string {
  return [...LINE_STATES]
    .reverse()
    .map((s) => [lines.filter((l) => l.state === s.state).length, s.says] as const)
    .filter(([n]) => n > 0)
    .map(([n, says]) => `${n} ${says}`)
    .join(', ');
}

/** Lines that somebody must look at, the worst first, and the others. */
export function sorted(lines: readonly DeskLine[]): { open: DeskLine[]; well: DeskLine[] } {
  const rank = (l: DeskLine) => LINE_STATES.findIndex((s) => s.state === l.state);
  const all = [...lines].sort((a, b) => rank(a) - rank(b));
  const well = (l: DeskLine) => l.state === 'found' || l.state === 'other-packaging';
  return { open: all.filter((l) => !well(l)), well: all.filter(well) };
}

/** Parts of a footprint and side that the desk would fit with pin 1 elsewhere, by the same turn. */
export interface Turned {
  footprint: string;
  side: string;
  degrees: number;
  parts: string[];
  /** Whether every part of that footprint and side is among them. */
  all: boolean;
}

export function turned(placed: readonly DeskPlaced[]): Turned[] {
  const groups = new Map<string, Turned>();
  for (const p of placed) {
    if (p.turnDeg) {
      const key = `${p.footprint} ${p.side} ${p.turnDeg}`;
      const group = groups.get(key) ?? {
        footprint: p.footprint,
        side: p.side,
        degrees: p.turnDeg,
        parts: [],
        all: true,
      };
      group.parts.push(p.designator);
      groups.set(key, group);
    }
  }
  for (const g of groups.values()) {
    g.all = placed.filter((p) => p.footprint === g.footprint).length === g.parts.length;
  }
  return [...groups.values()];
}

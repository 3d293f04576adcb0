import type { Kit } from '../api/client';

/** A line of the guide: a step by its place among the steps, or one's own by what is done. */
export interface Line {
  step?: number | null;
  own: string;
}

interface Said {
  solder?: string;
  own?: string;
}

/** The lines with one taken out and put in at another place. */
export function moved(lines: readonly Line[], from: number, to: number): Line[] {
  const next = [...lines];
  const [line] = next.splice(from, 1);
  if (line) next.splice(to, 0, line);
  return next;
}

/** The order as the ticket has it: each step by its first part. */
export function said(kit: Kit, lines: readonly Line[]): Said[] {
  return lines.flatMap((l): Said[] => {
    if (typeof l.step !== 'number') return [{ own: l.own }];
    const first = kit.steps[l.step]?.places[0]?.designator;
    return first ? [{ solder: first }] : [];
  });
}

/** The maker's own steps that come right before a step, or behind the last one. */
export function ownBefore(lines: readonly Line[], step: number): string[] {
  const at = lines.findIndex((l) => l.step === step);
  return own(lines, at < 0 ? lines.length : at);
}

export function ownAtEnd(lines: readonly Line[]): string[] {
  return own(lines, lines.length);
}

function own(lines: readonly Line[], end: number): string[] {
  const all: string[] = [];
  for (let i = end - 1; i >= 0; i--) {
    const l = lines[i];
    if (!l || typeof l.step === 'number') break;
    all.unshift(l.own);
  }
  return all;
}

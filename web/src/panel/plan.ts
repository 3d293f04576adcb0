import type { PanelPlan, PanelResult } from '../api/client';

/** A plan as the station changes it: what is not said is usual. */
export interface Plan {
  rows: number;
  columns: number;
  gapMm: number | null;
  rotationDeg: number;
  join: string;
  rails: string;
  railMm: number;
  tab: { widthMm: number; perSide: number; holeMm: number; pitchMm: number };
  fiducials: number;
  toolingMm: number;
  also: { pack: string; count: number }[];
  places: Lying[];
}

/** A board's place by the ticket: mm, and degrees counter-clockwise. */
export interface Lying {
  pack: string;
  xMm: number;
  yMm: number;
  rotationDeg: number;
}

const TAB = { widthMm: 3, perSide: 2, holeMm: 0.5, pitchMm: 0.8 };

/** What a new panel begins with: rails to hold it by, and marks for the machine. */
export function fresh(rows: number, columns: number, rotationDeg: number, join: string): Plan {
  return {
    rows,
    columns,
    gapMm: null,
    rotationDeg,
    join,
    rails: 'all',
    railMm: 7,
    tab: TAB,
    fiducials: 3,
    toolingMm: 3,
    also: [],
    places: [],
  };
}

function number(n: unknown, usual: number): number {
  return typeof n === 'number' ? n : usual;
}

/** The plan of an answer, where what is usual is left out. */
export function planOf(p: PanelPlan): Plan {
  const bites = p.tab?.bites;
  return {
    rows: number(p.rows, 1),
    columns: number(p.columns, 1),
    gapMm: typeof p.gapMm === 'number' ? p.gapMm : null,
    rotationDeg: number(p.rotationDeg, 0),
    join: p.join || 'tabs',
    rails: p.rails || 'none',
    railMm: number(p.railMm, 5),
    tab: {
      widthMm: number(p.tab?.widthMm, TAB.widthMm),
      perSide: number(p.tab?.perSide, TAB.perSide),
      holeMm: number(bites?.holeMm, TAB.holeMm),
      pitchMm: number(bites?.pitchMm, TAB.pitchMm),
    },
    fiducials: number(p.fiducials, 0),
    toolingMm: number(p.toolingMm, 0),
    also: (p.also ?? []).map((a) => ({ pack: a.pack, count: number(a.count, 1) })),
    places: (p.places ?? []).map((l) => ({
      pack: l.pack ?? '',
      xMm: number(l.xMm, 0),
      yMm: number(l.yMm, 0),
      rotationDeg: number(l.rotationDeg, 0),
    })),
  };
}

/** Between boards, mm: what is usual for the join where nothing is said. */
export function gapOf(p: Plan): number {
  return p.gapMm ?? (p.join === 'score' ? 0 : 2);
}

/** The plan by the names of the ticket. */
export function toTicket(p: Plan): Record<string, unknown> {
  return {
    rows: p.rows,
    columns: p.columns,
    ...(p.gapMm === null ? {} : { gap_mm: p.gapMm }),
    rotation_deg: p.rotationDeg,
    join: p.join,
    rails: p.rails,
    rail_mm: p.railMm,
    tab: {
      width_mm: p.tab.widthMm,
      per_side: p.tab.perSide,
      bites: { hole_mm: p.tab.holeMm, pitch_mm: p.tab.pitchMm },
    },
    fiducials: p.fiducials,
    tooling_mm: p.toolingMm,
    ...(p.also.length > 0 ? { also: p.also } : {}),
    ...(p.places.length > 0
      ? {
          places: p.places.map((l) => ({
            ...(l.pack === '' ? {} : { pack: l.pack }),
            x_mm: l.xMm,
            y_mm: l.yMm,
            rotation_deg: l.rotationDeg,
          })),
        }
      : {}),
  };
}

const mm = (nm: number): number => Math.round(nm) / 1e6;

/** Every board where it lies now, to be moved by hand from there. */
export function lying(panel: PanelResult): Lying[] {
  return panel.boards.map((b) => ({
    pack: b.pack,
    xMm: mm(b.x),
    yMm: mm(b.y),
    rotationDeg: b.rotationDeg,
  }));
}

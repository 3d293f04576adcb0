import { create } from 'zustand';
import { nextUnit, type Unit } from '../units';

/** How a film lies on the table. */
export type Film = 'on' | 'dim' | 'off';

export interface Point {
  x: number;
  y: number;
}

/** A measure laid on the table; it stays until removed. Places in nm. */
export interface Measured {
  id: number;
  from: Point;
  to: Point;
  /** The nearest edges of the copper at both ends, where there are two pieces apart. */
  gap?: { nm: number; from: Point; to: Point };
}

/** Two layers laid over each other in inks that show where they part; mix fades from a to b. */
export interface Xray {
  a: string;
  b: string;
  mix: number;
}

/** Something the table should look at: a place in nm, and how much around it. */
export interface Focus {
  key: string;
  x: number;
  y: number;
  span: number;
}

/** Which findings are listed and flagged, and how they are put together. */
export interface FindingFilter {
  text: string;
  severity: 'all' | 'stop' | 'look' | 'note';
  only: 'all' | 'open' | 'new' | 'signed';
  group: 'severity' | 'rule' | 'place';
}

interface ViewState {
  unit: Unit;
  lamp: number;
  grid: boolean;
  solid: boolean;
  flipped: boolean;
  turn: number;
  xray: Xray | null;
  focus: Focus | null;
  /** Whether what a newer revision changed is laid over the board. */
  showChanges: boolean;
  films: Record<string, Film>;
  measuring: boolean;
  measures: Measured[];
  net: number | null;
  finding: string | null;
  filter: FindingFilter;
  /** Findings a sign-off is being written for; null when none. */
  signing: readonly string[] | null;
  /** How often Esc was pressed: whatever a pointer is doing ends then. */
  escaped: number;
  part: string | null;
  operation: number;
  /** Clears what belongs to one job. */
  startJob: () => void;
  cycleUnit: () => void;
  setLamp: (lamp: number) => void;
  flip: () => void;
  rotate: () => void;
  toggleGrid: () => void;
  toggleSolid: () => void;
  setXray: (xray: Xray | null) => void;
  lookAt: (focus: Focus | null) => void;
  setShowChanges: (on: boolean) => void;
  /** Clears what belongs to one station. */
  leaveStation: () => void;
  cycleFilm: (role: string) => void;
  setFilms: (films: Record<string, Film>) => void;
  setMeasuring: (on: boolean) => void;
  addMeasure: (from: Point, to: Point, gap?: Measured['gap']) => void;
  removeMeasure: (id: number) => void;
  lightNet: (net: number | null) => void;
  selectFinding: (id: string | null) => void;
  setFilter: (part: Partial<FindingFilter>) => void;
  sign: (findings: readonly string[] | null) => void;
  /** Ends what the pointer is doing: measuring, a lit net, a shape half drawn. */
  escape: () => void;
  selectPart: (designator: string | null) => void;
  selectOperation: (index: number) => void;
}

const NEXT: Record<Film, Film> = { on: 'dim', dim: 'off', off: 'on' };
const KEPT = 'last-cut-view-1';

function kept(): { unit: Unit; lamp: number } {
  try {
    const saved = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as { unit?: Unit; lamp?: number };
    return { unit: saved.unit ?? 'mm', lamp: saved.lamp ?? 1 };
  } catch {
    return { unit: 'mm', lamp: 1 };
  }
}

let nextMeasure = 1;
let nextFocus = 1;

export const useView = create<ViewState>((set) => ({
  ...kept(),
  grid: false,
  solid: false,
  flipped: false,
  turn: 0,
  xray: null,
  focus: null,
  showChanges: true,
  films: {},
  measuring: false,
  measures: [],
  net: null,
  finding: null,
  filter: { text: '', severity: 'all', only: 'all', group: 'severity' },
  signing: null,
  escaped: 0,
  part: null,
  operation: 0,
  startJob: () =>
    set({
      films: {},
      measures: [],
      net: null,
      finding: null,
      part: null,
      operation: 0,
      solid: false,
      turn: 0,
      xray: null,
      focus: null,
    }),
  cycleUnit: () => set((s) => ({ unit: nextUnit(s.unit) })),
  setLamp: (lamp) => set({ lamp }),
  flip: () => set((s) => ({ flipped: !s.flipped })),
  rotate: () => set((s) => ({ turn: (s.turn + 1) % 4 })),
  toggleGrid: () => set((s) => ({ grid: !s.grid })),
  toggleSolid: () => set((s) => ({ solid: !s.solid })),
  setXray: (xray) => set({ xray }),
  // Asked again for the same place, the table goes there again.
  lookAt: (focus) =>
    set({ focus: focus ? { ...focus, key: `${focus.key} #${nextFocus++}` } : null }),
  setShowChanges: (showChanges) => set({ showChanges }),
  leaveStation: () => set({ films: {}, focus: null, xray: null, signing: null }),
  cycleFilm: (role) => set((s) => ({ films: { ...s.films, [role]: NEXT[s.films[role] ?? 'on'] } })),
  setFilms: (films) => set({ films }),
  setMeasuring: (measuring) => set({ measuring }),
  addMeasure: (from, to, gap) =>
    set((s) => ({
      measures: [...s.measures, { id: nextMeasure++, from, to, ...(gap ? { gap } : {}) }],
    })),
  removeMeasure: (id) => set((s) => ({ measures: s.measures.filter((m) => m.id !== id) })),
  lightNet: (net) => set({ net }),
  selectFinding: (finding) => set({ finding }),
  setFilter: (part) => set((s) => ({ filter: { ...s.filter, ...part } })),
  sign: (signing) => set({ signing }),
  escape: () => set((s) => ({ escaped: s.escaped + 1, measuring: false, net: null })),
  selectPart: (part) => set({ part }),
  selectOperation: (operation) => set({ operation }),
}));

useView.subscribe((s) => {
  localStorage.setItem(KEPT, JSON.stringify({ unit: s.unit, lamp: s.lamp }));
});

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
}

interface ViewState {
  unit: Unit;
  lamp: number;
  flipped: boolean;
  films: Record<string, Film>;
  measuring: boolean;
  measures: Measured[];
  net: number | null;
  finding: string | null;
  part: string | null;
  operation: number;
  /** Clears what belongs to one job. */
  startJob: () => void;
  cycleUnit: () => void;
  setLamp: (lamp: number) => void;
  flip: () => void;
  cycleFilm: (role: string) => void;
  setFilms: (films: Record<string, Film>) => void;
  setMeasuring: (on: boolean) => void;
  addMeasure: (from: Point, to: Point) => void;
  removeMeasure: (id: number) => void;
  lightNet: (net: number | null) => void;
  selectFinding: (id: string | null) => void;
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

export const useView = create<ViewState>((set) => ({
  ...kept(),
  flipped: false,
  films: {},
  measuring: false,
  measures: [],
  net: null,
  finding: null,
  part: null,
  operation: 0,
  startJob: () =>
    set({ films: {}, measures: [], net: null, finding: null, part: null, operation: 0 }),
  cycleUnit: () => set((s) => ({ unit: nextUnit(s.unit) })),
  setLamp: (lamp) => set({ lamp }),
  flip: () => set((s) => ({ flipped: !s.flipped })),
  cycleFilm: (role) => set((s) => ({ films: { ...s.films, [role]: NEXT[s.films[role] ?? 'on'] } })),
  setFilms: (films) => set({ films }),
  setMeasuring: (measuring) => set({ measuring }),
  addMeasure: (from, to) =>
    set((s) => ({ measures: [...s.measures, { id: nextMeasure++, from, to }] })),
  removeMeasure: (id) => set((s) => ({ measures: s.measures.filter((m) => m.id !== id) })),
  lightNet: (net) => set({ net }),
  selectFinding: (finding) => set({ finding }),
  selectPart: (part) => set({ part }),
  selectOperation: (operation) => set({ operation }),
}));

useView.subscribe((s) => {
  localStorage.setItem(KEPT, JSON.stringify({ unit: s.unit, lamp: s.lamp }));
});

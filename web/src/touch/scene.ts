import { create } from 'zustand';
import type { Point } from '../store/view';

/** What is pointed out on the table. */
export type Shape = 'point' | 'line' | 'area';

/** What a form asks to be shown on the table, and in which words. */
export interface Asking {
  field: string;
  shape: Shape;
  says: string;
}

/** A place of the chosen touch that can be dragged. */
export interface Handle extends Point {
  key: string;
}

export type Look = 'before' | 'change' | 'after';

/** What the Touch up station lays on the table; places in nm. */
interface TouchScene {
  asking: Asking | null;
  /** Places pointed out so far. */
  draft: Point[];
  /** The cross that the arrow keys move. */
  cursor: Point | null;
  answer: { field: string; points: Point[] } | null;
  handles: readonly Handle[];
  held: Handle | null;
  dropped: Handle | null;
  /** Where the chosen touch did something, or could not. */
  places: readonly Point[];
  /** The shape of the chosen touch, closed or not. */
  outline: { points: readonly Point[]; closed: boolean } | null;
  look: Look;
  chosen: number | null;
  show: (part: Partial<TouchScene>) => void;
  ask: (asking: Asking | null) => void;
  add: (at: Point) => void;
  finish: () => void;
}

const LEAST: Record<Shape, number> = { point: 1, line: 2, area: 3 };

export const useTouch = create<TouchScene>((set, get) => ({
  asking: null,
  draft: [],
  cursor: null,
  answer: null,
  handles: [],
  held: null,
  dropped: null,
  places: [],
  outline: null,
  look: 'change',
  chosen: null,
  show: (part) => set(part),
  ask: (asking) => set({ asking, draft: [], cursor: null }),
  add: (at) => {
    const { asking, draft } = get();
    if (!asking) {
      return;
    }
    set({ draft: [...draft, at] });
    if (asking.shape === 'point') {
      get().finish();
    }
  },
  finish: () => {
    const { asking, draft } = get();
    if (asking && draft.length >= LEAST[asking.shape]) {
      set({
        answer: { field: asking.field, points: draft },
        asking: null,
        draft: [],
        cursor: null,
      });
    }
  },
}));

import { create } from 'zustand';
import type { Heights, MillAreas, MillSetup, Rehearsal } from '../api/client';
import type { Point } from '../store/view';

export type MillTab = 'setup' | 'cutters' | 'programs' | 'level' | 'rehearse' | 'bench';

/** An area drawn on the table, nm. */
export interface Area {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** What an area that is being drawn is for. */
export type AreaUse = 'rubOut' | 'leaveOut';

/** What the Mill station lays on the table. */
interface MillScene {
  tab: MillTab;
  areas: MillAreas | null;
  setup: MillSetup | null;
  heights: Heights | null;
  rehearsal: Rehearsal | null;
  /** The side of a rehearsal that is looked at. */
  side: string;
  minute: number;
  trail: number[];
  cutter: (Point & { depth: number }) | null;
  /** Widths of the tools by their number, nm, for drawing what was cut. */
  widths: number[];
  drawing: AreaUse | null;
  draft: Area | null;
  drawn: { use: AreaUse; area: Area } | null;
  show: (part: Partial<MillScene>) => void;
}

export const useMill = create<MillScene>((set) => ({
  tab: 'programs',
  areas: null,
  setup: null,
  heights: null,
  rehearsal: null,
  side: '',
  minute: 0,
  trail: [],
  cutter: null,
  widths: [],
  drawing: null,
  draft: null,
  drawn: null,
  show: (part) => set(part),
}));

/** The rectangle between two corners. */
export function between(a: Point, b: Point): Area {
  return {
    minX: Math.min(a.x, b.x),
    minY: Math.min(a.y, b.y),
    maxX: Math.max(a.x, b.x),
    maxY: Math.max(a.y, b.y),
  };
}

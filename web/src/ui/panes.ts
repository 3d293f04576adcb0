import { create } from 'zustand';

const KEPT = 'last-cut-panes-1';

/** Widths of the pane beside the board, CSS pixels: what it is by itself, and its bounds. */
export const USUAL = 350;
export const WIDE = 480;
export const LEAST = 240;
/** Widths of the traveller, and of what is left of it in narrow windows, CSS pixels. */
export const TRAVELLER = 218;
export const STRIP = 48;
/** The board keeps at least this share of the window. */
const BOARD_SHARE = 0.52;

interface Kept {
  /** Chosen widths by kind of pane; by itself where none was chosen. */
  widths: Record<string, number>;
  /** Panes that are put away. */
  away: Record<string, boolean>;
}

interface Panes extends Kept {
  setWidth: (pane: string, width: number) => void;
  putAway: (pane: string, away: boolean) => void;
}

function kept(): Kept {
  try {
    const saved = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Kept>;
    return { widths: saved.widths ?? {}, away: saved.away ?? {} };
  } catch {
    return { widths: {}, away: {} };
  }
}

/** How wide a pane is in a window: as chosen or usual, and never so that no board is left. */
export function paneWidth(wanted: number, window: number, beside: number): number {
  const most = (window - beside) * (1 - BOARD_SHARE);
  return Math.round(Math.max(Math.min(LEAST, most), Math.min(wanted, most)));
}

export const usePanes = create<Panes>((set) => ({
  ...kept(),
  setWidth: (pane, width) => set((s) => ({ widths: { ...s.widths, [pane]: width } })),
  putAway: (pane, away) => set((s) => ({ away: { ...s.away, [pane]: away } })),
}));

usePanes.subscribe(({ widths, away }) => {
  localStorage.setItem(KEPT, JSON.stringify({ widths, away }));
});

import { create } from 'zustand';

interface PanelChoice {
  /** The number of the board that is held; null for none. */
  selected: number | null;
  select: (number: number | null) => void;
}

/** Which board of the panel is held, on the table and at the station alike. */
export const usePanelChoice = create<PanelChoice>((set) => ({
  selected: null,
  select: (selected) => set({ selected }),
}));

import { create } from 'zustand';
import type { components } from '../api/schema';

type TaskState = components['schemas']['TaskState'];

/** The board that is being read in the background, if any. */
interface Reading {
  state: TaskState | null;
  show: (state: TaskState | null) => void;
}

export const useReading = create<Reading>((set) => ({
  state: null,
  show: (state) => set({ state }),
}));

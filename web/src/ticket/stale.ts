import { create } from 'zustand';

/** A change that was refused because of what happened meanwhile, until the user has said. */
interface Stale {
  meanwhile: string | null;
  answer: (again: boolean) => void;
  /** Asks whether a change is to be made all the same. */
  ask: (meanwhile: string) => Promise<boolean>;
}

export const useStale = create<Stale>((set) => ({
  meanwhile: null,
  answer: () => undefined,
  ask: (meanwhile) =>
    new Promise((resolve) =>
      set({
        meanwhile,
        answer: (again) => {
          set({ meanwhile: null });
          resolve(again);
        },
      }),
    ),
}));

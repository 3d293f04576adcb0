import { create } from 'zustand';

/** The last thing that happened to the ticket that this window's user should hear of. */
interface Notice {
  says: string;
  say: (says: string) => void;
}

export const useNotice = create<Notice>((set) => ({ says: '', say: (says) => set({ says }) }));

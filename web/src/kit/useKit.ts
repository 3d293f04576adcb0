import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api, type Job } from '../api/client';
import { pictureKey } from '../table/useLayers';

interface KitState {
  step: number;
  to: (step: number) => void;
  /** The board of the batch that is soldered, counted from 1; null for all together. */
  board: number | null;
  onBoard: (board: number | null) => void;
}

/** Which step of the guide is open; -1 for the list. */
export const useKitStep = create<KitState>((set) => ({
  step: 0,
  to: (step) => set({ step }),
  board: null,
  onBoard: (board) => set({ board }),
}));

export const kitKey = (job: Job) => ['kit', job.id, pictureKey(job), job.sheetId, job.version];

/** The bench kit of a job, while its station is open. */
export function useKit(job: Job, enabled: boolean) {
  return useQuery({
    queryKey: kitKey(job),
    queryFn: () => api.kit(job.id),
    enabled: enabled && job.sheetId !== '',
    placeholderData: (before) => before,
  });
}

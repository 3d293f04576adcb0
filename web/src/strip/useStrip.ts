import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api, type Job } from '../api/client';
import type { Hole } from './plan';

export type Tool = 'parts' | 'cut' | 'link';

interface StripState {
  tool: Tool;
  /** The part that is held; null for none. */
  part: string | null;
  /** A part that is about to be put down. */
  placing: string | null;
  /** The hole the keys work at, and the net under the pointer. */
  cursor: Hole;
  /** Whether the copper side is seen, mirrored as it lies when the board is turned over. */
  copperSide: boolean;
  /** The finding that is shown. */
  finding: string | null;
  set: (part: Partial<Omit<StripState, 'set'>>) => void;
}

/** What is held and looked at on the strip board, on the table and at the station alike. */
export const useStripState = create<StripState>((set) => ({
  tool: 'parts',
  part: null,
  placing: null,
  cursor: [0, 0],
  copperSide: false,
  finding: null,
  set: (part) => set(part),
}));

export function useStrip(job: Job, enabled: boolean) {
  return useQuery({
    queryKey: ['strip', job.id, job.sheetId, job.version],
    queryFn: () => api.strip(job.id),
    enabled,
    placeholderData: (before) => before,
  });
}

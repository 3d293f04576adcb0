import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api, type Changes, type CutDifference } from '../api/client';

interface Pair {
  /** The numbers of the cuts that are held against each other; null for none. */
  pair: [number, number] | null;
  compare: (pair: [number, number] | null) => void;
}

export const usePair = create<Pair>((set) => ({
  pair: null,
  compare: (pair) => set({ pair }),
}));

/** The two chosen cuts against each other, and the same as changes for the table. */
export function useComparison(
  job: number,
  on: boolean,
): { difference: CutDifference | null; changes: Changes | null; error: string } {
  const pair = usePair((s) => s.pair);
  const found = useQuery({
    queryKey: ['cut difference', job, pair],
    queryFn: async () => {
      const [a, b] = pair ?? [0, 0];
      const d = await api.cutDifference(job, a, b);
      return { d, changes: { ...d.board, of: `cuts/${a}/to/${b}` } };
    },
    enabled: on && pair !== null,
    staleTime: Infinity,
  });
  const shown = on && pair !== null ? found.data : undefined;
  return {
    difference: shown?.d ?? null,
    changes: shown?.changes ?? null,
    error: found.error?.message ?? '',
  };
}

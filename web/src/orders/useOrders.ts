import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { isMoving } from './state';

/** The orders of a job, asked for again while one of them may move. */
export function useOrders(job: number | null) {
  return useQuery({
    queryKey: ['orders', job],
    queryFn: () => api.orders(job ?? 0),
    enabled: job !== null,
    // Another window may have ordered meanwhile.
    refetchInterval: (query) => (query.state.data?.some(isMoving) ? 1000 : 10_000),
  });
}

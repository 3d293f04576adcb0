import { useQuery } from '@tanstack/react-query';
import { api, type Job } from '../api/client';

/** What is ordered of the shop's options, and what that costs. */
export function useOrder(job: Job, enabled = true) {
  return useQuery({
    queryKey: ['order', job.id, job.stamp, job.version],
    queryFn: () => api.order(job.id),
    enabled,
    placeholderData: (before) => before,
  });
}

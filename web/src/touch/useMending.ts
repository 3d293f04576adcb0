import { useQuery } from '@tanstack/react-query';
import { api, type Job } from '../api/client';

/** Which touches mend what the last check found. */
export function useMending(job: Job) {
  return useQuery({
    queryKey: ['mending', job.id, job.stamp, job.check.ran],
    queryFn: () => api.mending(job.id),
    enabled: job.sheetId !== '' && job.check.ran,
    placeholderData: (before) => before,
  });
}

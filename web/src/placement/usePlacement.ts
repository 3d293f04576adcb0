import { useQuery } from '@tanstack/react-query';
import { api, type Job } from '../api/client';
import { pictureKey } from '../table/useLayers';

/** How the parts are placed, with what is held of each. */
export function usePlacement(job: Job) {
  return useQuery({
    queryKey: ['placement', job.id, pictureKey(job), job.sheetId, job.version],
    queryFn: () => api.placement(job.id),
    placeholderData: (before) => before,
  });
}

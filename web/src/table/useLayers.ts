import { useQueries } from '@tanstack/react-query';
import { api, type Job } from '../api/client';
import { decode, type Mesh } from './layers';

/** What a job's pictures depend on: its files and their roles. */
export function pictureKey(job: Job): string {
  return `${job.revision}:${job.files.map((f) => `${f.path}=${f.role}`).join('|')}`;
}

/** The meshes of a job's layers by role, as far as they have arrived. */
export function useLayers(job: Job): { meshes: Map<string, Mesh>; ready: boolean; error: string } {
  const key = pictureKey(job);
  return useQueries({
    queries: job.layers.map((layer) => ({
      queryKey: ['layer', job.id, layer.index, key],
      queryFn: async () =>
        decode(await api.layer(job.id, layer.index), job.board.minX, job.board.minY),
      staleTime: Infinity,
    })),
    combine: (results) => {
      const meshes = new Map<string, Mesh>();
      results.forEach((r, i) => {
        const layer = job.layers[i];
        if (r.data && layer) {
          meshes.set(layer.role, r.data);
        }
      });
      const failed = results.find((r) => r.error);
      return {
        meshes,
        ready: results.every((r) => r.isSuccess),
        error: failed?.error?.message ?? '',
      };
    },
  });
}

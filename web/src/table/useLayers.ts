import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, type Job } from '../api/client';
import { decode, type Mesh } from './layers';

/** What a job's pictures depend on: its files and their roles. */
export function pictureKey(job: Job): string {
  return `${job.revision}:${job.files.map((f) => `${f.path}=${f.role}`).join('|')}`;
}

/** The meshes of a job's layers by role, as far as they have arrived. */
export interface Layers {
  meshes: Map<string, Mesh>;
  ready: boolean;
  error: string;
}

export function useLayers(job: Job): Layers {
  const key = pictureKey(job);
  const layers = job.layers;
  // A stable function: a new one each time would make new meshes, and a new drawing, of the same.
  const combine = useCallback(
    (results: UseQueryResult<Mesh>[]): Layers => {
      const meshes = new Map<string, Mesh>();
      results.forEach((r, i) => {
        const layer = layers[i];
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
    [layers],
  );
  return useQueries({
    queries: layers.map((layer) => ({
      queryKey: ['layer', job.id, layer.index, key],
      queryFn: async () =>
        decode(await api.layer(job.id, layer.index), job.board.minX, job.board.minY),
      staleTime: Infinity,
    })),
    combine,
  });
}

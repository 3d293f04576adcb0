import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api, type Changes, type Job } from '../api/client';
import { decode, type Mesh } from './layers';

/** What a job's files make of the board: they and their roles. */
export function filesKey(job: Job): string {
  const of = (f: Job['files'][number]) => `${f.path}=${f.role} ${f.numbers} ${f.applied}`;
  return `${job.revision}:${job.files.map(of).join('|')}`;
}

/** What a job's pictures depend on: its files, and what is done to them. */
export function pictureKey(job: Job): string {
  return `${filesKey(job)}:${job.touches.stamp}`;
}

/** The meshes of a job's layers by role, as far as they have arrived. */
export interface Layers {
  meshes: Map<string, Mesh>;
  ready: boolean;
  error: string;
}

/** What the newest revision added and took away, as films; empty while that is not asked for. */
export function useChangedFilms(job: Job, changes: Changes | null): Map<string, Mesh> {
  const key = pictureKey(job);
  const of = changes?.of ?? '';
  const wanted = (changes?.layers ?? []).flatMap((l) =>
    (['added', 'removed'] as const).map((which) => ({ ...l, which })),
  );
  const combine = useCallback((results: UseQueryResult<[string, Mesh]>[]) => {
    return new Map(results.flatMap((r) => (r.data ? [r.data] : [])));
  }, []);
  return useQueries({
    queries: wanted.map((w) => ({
      queryKey: [
        'changed',
        job.id,
        w.index,
        w.which,
        of === '' || of === 'touches' ? key + of : of,
      ],
      queryFn: async (): Promise<[string, Mesh]> => [
        `${w.which}:${w.role}`,
        decode(await api.changed(job.id, w.index, w.which, of), job.board.minX, job.board.minY),
      ],
      staleTime: Infinity,
    })),
    combine,
  });
}

/** As the board is made, or, where asked, as its files have it. */
export function useLayers(job: Job, before = false): Layers {
  const key = before ? `${filesKey(job)} before` : pictureKey(job);
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
        decode(
          before
            ? await api.layerBefore(job.id, layer.index)
            : await api.layer(job.id, layer.index),
          job.board.minX,
          job.board.minY,
        ),
      staleTime: Infinity,
    })),
    combine,
  });
}

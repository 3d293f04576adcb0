import type { QueryClient } from '@tanstack/react-query';

/** Kept by what they show or by the version they are of: they need no asking for anew. */
const KEPT = new Set(['layer', 'changed', 'solid', 'surface', 'outputs', 'paths', 'history']);

/** Asks anew for everything that a choice may have changed. */
export function refresh(queries: QueryClient, job: number): void {
  void queries.invalidateQueries({
    predicate: ({ queryKey: [what, id] }) => id === job && !KEPT.has(String(what)),
  });
}

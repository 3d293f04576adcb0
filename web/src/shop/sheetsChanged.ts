import type { QueryClient } from '@tanstack/react-query';

/** A sheet was kept or taken away: asks anew for all that depends on sheets, and for no picture. */
export function sheetsChanged(queries: QueryClient): void {
  for (const what of ['sheets', 'sheet-file', 'job', 'limits', 'shops', 'check', 'outputs']) {
    void queries.invalidateQueries({ queryKey: [what] });
  }
}

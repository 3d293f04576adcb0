import type { QueryClient } from '@tanstack/react-query';

/** A sheet was kept or taken away: asks anew for all that depends on sheets, and for no picture. */
export function sheetsChanged(queries: QueryClient): void {
  const asked = ['sheets', 'sheet-file', 'job', 'limits', 'shops', 'check', 'outputs'];
  for (const what of [...asked, 'mill', 'mill-sets', 'mill-areas', 'rehearsal']) {
    void queries.invalidateQueries({ queryKey: [what] });
  }
}

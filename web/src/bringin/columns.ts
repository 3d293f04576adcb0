import type { JobFile } from './roles';

const WORDS: Readonly<Record<string, string>> = {
  'not-fitted': 'not fitted (DNP)',
  fitted: 'fitted',
  footprint: 'package',
  'part-number': 'part number',
  x: 'x',
  y: 'y',
  other: 'not used',
};

/** What a column holds, in plain words. */
export function columnWords(kind: string): string {
  return WORDS[kind] ?? kind;
}

/** Whether a file is a table, or may be one, so that its columns can be chosen. */
export function hasColumns(file: Pick<JobFile, 'role' | 'doubt' | 'path'>): boolean {
  return (
    file.doubt === 'columns' ||
    ((file.role === 'parts-list' || file.role === 'placement' || file.role === 'unknown') &&
      /\.(csv|tsv|txt|xlsx|pos|xy|mnt)$/i.test(file.path))
  );
}

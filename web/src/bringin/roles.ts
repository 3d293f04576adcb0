import type { Job } from '../api/client';

export type JobFile = Job['files'][number];

const MOST_INNER = 30;

/** Every role; inner copper as far as the job has it and one more. */
export function rolesFor(job: Job): string[] {
  const inner = job.files.map((f) => Number(/^copper-inner-(\d+)$/.exec(f.role)?.[1] ?? 0));
  const count = Math.min(MOST_INNER, Math.max(2, ...inner) + 1);
  return [
    'copper-top',
    ...Array.from({ length: count }, (_, i) => `copper-inner-${i + 1}`),
    ...OTHER_ROLES,
  ];
}

const OTHER_ROLES = [
  'copper-bottom',
  'mask-top',
  'mask-bottom',
  'paste-top',
  'paste-bottom',
  'silk-top',
  'silk-bottom',
  'outline',
  'plated-holes',
  'unplated-holes',
  'mixed-holes',
  'netlist',
  'parts-list',
  'placement',
  'connections',
  'not-part',
  'unknown',
];

/** A role in plain words. */
export function roleWords(role: string): string {
  const inner = /^copper-inner-(\d+)$/.exec(role);
  if (inner) {
    return `inner copper ${inner[1]}`;
  }
  return role === 'not-part' ? 'not part of the board' : role.replaceAll('-', ' ');
}

/** The same role on the other side. */
export function across(role: string): string {
  return role.endsWith('-top')
    ? role.replace(/-top$/, '-bottom')
    : role.replace(/-bottom$/, '-top');
}

/** The last step of a path. */
export function leaf(path: string): string {
  return path.split('/').at(-1) ?? path;
}

export interface Answer {
  path: string;
  role: string;
}

/**
 * What is open about a job's files, each question once: one about the sides of all files together,
 * one about the order of all inner layers, and one for each file that could be something else.
 */
export interface Questions {
  boards: JobFile[];
  versions: JobFile[];
  sides: JobFile[];
  order: JobFile[];
  single: JobFile[];
}

export function questionsOf(job: Pick<Job, 'files'>): Questions {
  const about = (doubt: string) => job.files.filter((f) => f.doubt === doubt);
  const together = ['', 'side', 'order', 'version', 'board'];
  return {
    boards: about('board'),
    versions: about('version'),
    sides: about('side'),
    order: about('order').sort((a, b) => a.role.localeCompare(b.role, 'en', { numeric: true })),
    single: job.files.filter((f) => !together.includes(f.doubt)),
  };
}

/** How many questions the user must answer. */
export function openCount(job: Pick<Job, 'files'>): number {
  const q = questionsOf(job);
  const one = [q.boards, q.versions, q.sides, q.order].filter((files) => files.length > 0);
  return one.length + q.single.length;
}

/** A file and the older version of it, or two of which neither is known to be older. */
export interface Pair {
  newer: JobFile;
  older: JobFile;
  dated: boolean;
}

/** Versions side by side, each pair once. */
export function pairsOf(files: readonly JobFile[]): Pair[] {
  const pairs: Pair[] = [];
  for (const older of files) {
    const newer = files.find((f) => f.path === older.about);
    const dated = older.role === 'not-part';
    if (newer && (dated || older.path < newer.path)) {
      pairs.push({ newer, older, dated });
    }
  }
  return pairs;
}

/** The answer that takes one version of each pair and lays the other aside. */
export function versionsAnswer(pairs: readonly Pair[], newest: boolean): Answer[] {
  return pairs.flatMap(({ newer, older }) => [
    { path: newest ? newer.path : older.path, role: newer.role },
    { path: newest ? older.path : newer.path, role: 'not-part' },
  ]);
}

/** The boards in a pack by what their files are called alike, and their files. */
export function boardsOf(files: readonly JobFile[]): Map<string, JobFile[]> {
  const boards = new Map<string, JobFile[]>();
  for (const f of files) {
    boards.set(f.about, [...(boards.get(f.about) ?? []), f]);
  }
  return boards;
}

/** The answer that keeps one of several boards. */
export function boardAnswer(files: readonly JobFile[], kept: string): Answer[] {
  return files.filter((f) => f.about !== kept).map((f) => ({ path: f.path, role: 'not-part' }));
}

/** The answer to the question of sides: as proposed, or every file of it across. */
export function sidesAnswer(files: readonly JobFile[], swapped: boolean): Answer[] {
  return files.map((f) => ({ path: f.path, role: swapped ? across(f.role) : f.role }));
}

/**
 * Two files that show best which side is which, one of each: copper before mask, paste and silk;
 * only the first where the other side has none.
 */
export function sidePair(files: readonly JobFile[]): [JobFile, JobFile | null] | null {
  for (const kind of ['copper', 'mask', 'paste', 'silk']) {
    const top = files.find((f) => f.role === `${kind}-top`);
    const bottom = files.find((f) => f.role === `${kind}-bottom`);
    const first = top ?? bottom;
    if (first) {
      return [first, top && bottom ? bottom : null];
    }
  }
  return null;
}

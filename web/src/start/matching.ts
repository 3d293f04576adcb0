import type { JobLine } from '../api/client';

/** Jobs whose name, shop or last act has every word, those laid aside or those that are not. */
export function matching(jobs: readonly JobLine[], text: string, aside: boolean): JobLine[] {
  const words = text
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w !== '');
  return jobs.filter((j) => {
    const said = `${j.name} ${j.shop} ${j.last}`.toLowerCase();
    return j.archived === aside && words.every((w) => said.includes(w));
  });
}

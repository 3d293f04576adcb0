/** A moment as it is written in files, to the minute. */
export function shortTime(at: string): string {
  return at.slice(0, 16).replace('T', ' ') + ' UTC';
}

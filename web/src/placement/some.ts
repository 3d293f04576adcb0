const MOST = 8;

/** The first of many parts, and how many more. */
export function some(parts: readonly string[]): string {
  const first = parts.slice(0, MOST).join(', ');
  return parts.length > MOST ? `${first} and ${parts.length - MOST} more` : first;
}

/** What is said of a file, first the one reason that fits on a line, then all others. */
export function shortened(evidence: string): { first: string; rest: string[] } {
  const parts = evidence.split('; ');
  const [first = '', ...rest] = parts;
  return first.length > MOST && first.includes(' (')
    ? { first: first.slice(0, first.indexOf(' (')), rest: parts }
    : { first, rest };
}

const MOST = 72;

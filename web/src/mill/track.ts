/** Numbers for each place of a track: x, y, depth, minute, line, 1 for a feed. */
export const PER_PLACE = 6;

/** What a tool has cut up to a minute, and where it is then. */
export interface UpTo {
  /** Pieces of way below the surface, x, y, x, y …, nm. */
  cut: number[][];
  /** Where the tool is; null when it has not begun or is done by then. */
  at: [number, number] | null;
  line: number;
}

/** Follows a track up to a minute. */
export function trackUpTo(points: readonly number[], minute: number): UpTo {
  const cut: number[][] = [];
  let piece: number[] = [];
  const places = points.length / PER_PLACE;
  const value = (i: number, k: number) => points[i * PER_PLACE + k] ?? 0;
  if (places === 0 || value(0, 3) > minute) {
    return { cut, at: null, line: 0 };
  }
  for (let i = 1; i < places; i++) {
    const begins = value(i - 1, 3);
    const ends = value(i, 3);
    const share = ends <= minute ? 1 : (minute - begins) / (ends - begins);
    const x = value(i - 1, 0) + share * (value(i, 0) - value(i - 1, 0));
    const y = value(i - 1, 1) + share * (value(i, 1) - value(i - 1, 1));
    const below = value(i, 5) === 1 && Math.max(value(i, 2), value(i - 1, 2)) > 0;
    if (below) {
      if (piece.length === 0) {
        piece = [value(i - 1, 0), value(i - 1, 1)];
        cut.push(piece);
      }
      piece.push(x, y);
    } else {
      piece = [];
    }
    if (share < 1) {
      return { cut, at: [x, y], line: value(i, 4) };
    }
  }
  return { cut, at: null, line: 0 };
}

import type { Finding, Parts } from '../api/client';
import type { Point } from '../store/view';

/** What a tap on the table means. */
export type Picked =
  | { kind: 'finding'; id: string }
  | { kind: 'part'; designator: string }
  | { kind: 'net'; net: number | null };

/** How near to a flag or a part a tap must be, pixels. */
const REACH_PX = 14;

/**
 * What lies under a tap: a finding's flag before a part, a part before copper. A flag stands above
 * its place, so it is met from there.
 *
 * @param scale pixels a nanometre
 */
export function pick(
  at: Point,
  scale: number,
  findings: readonly Finding[],
  parts: Parts | null,
  net: number | null,
): Picked {
  const reach = REACH_PX / scale;
  const flag = findings.find(
    (f) =>
      Math.abs(f.at.x - at.x) < reach && at.y - f.at.y > -reach / 2 && at.y - f.at.y < 2 * reach,
  );
  if (flag) {
    return { kind: 'finding', id: flag.id };
  }
  const part = parts?.parts.find((p) => Math.hypot(p.x - at.x, p.y - at.y) < reach);
  return part ? { kind: 'part', designator: part.designator } : { kind: 'net', net };
}

import { useEffect, useState } from 'react';
import { api, type Under } from '../api/client';
import type { Point } from '../store/view';
import type { Mesh } from './layers';

/** How long the pointer rests before words are asked for, and before a measure catches, ms. */
const REST_MS = 70;
const CATCH_MS = 25;

/** The copper at a place on the films that can be seen, found in the page; null for none. */
export function netAt(
  meshes: ReadonlyMap<string, Mesh>,
  roles: readonly string[],
  p: Point,
): number | null {
  for (const role of roles) {
    const found = role.startsWith('copper-') ? meshes.get(role)?.places?.().at(p.x, p.y) : null;
    if (found && found.net >= 0) {
      return found.net;
    }
  }
  return null;
}

/** What is said of a place, and which place that was. */
interface Said<T> {
  at: Point;
  says: T;
}

/**
 * Asks about a place once the pointer rests there; what is answered late, of a place that the
 * pointer has left, is dropped.
 */
function useAsked<T>(at: Point | null, after: number, ask: (p: Point) => Promise<T>): T | null {
  const [said, setSaid] = useState<Said<T> | null>(null);
  useEffect(() => {
    if (!at) {
      return undefined;
    }
    let wanted = true;
    const timer = setTimeout(() => {
      ask(at)
        .then((says) => wanted && setSaid({ at, says }))
        .catch(() => wanted && setSaid(null));
    }, after);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only another place is asked about
  }, [at]);
  return said && at && said.at === at ? said.says : null;
}

/** What lies under the pointer in words, film by film; empty until it is known of this place. */
export function useUnder(job: number, at: Point | null, roles: string[]): readonly Under[] {
  return (
    useAsked(at, REST_MS, (p) => api.under(job, Math.round(p.x), Math.round(p.y), roles)) ?? []
  );
}

/** Where a measure that is being made would catch; null while that is not known. */
export function useCaught(
  job: number,
  at: Point | null,
  roles: string[],
  scale: number,
): { at: Point; kind: string } | null {
  return useAsked(at, CATCH_MS, async (p) => {
    const s = await api.snap(job, Math.round(p.x), Math.round(p.y), Math.round(10 / scale), roles);
    return { at: { x: s.x, y: s.y }, kind: s.kind };
  });
}

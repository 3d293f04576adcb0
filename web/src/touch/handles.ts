import type { Point } from '../store/view';
import { get, set, type TouchValues } from './kinds';
import type { Handle } from './scene';

const MM = 1e6;
const PLACES = ['at', 'from', 'to', 'cut_out.at'];
const WAYS = ['along', 'area', 'cut_out'];

const isPlace = (v: unknown): v is number[] =>
  Array.isArray(v) && v.length === 2 && v.every((n) => typeof n === 'number');

const point = ([x = 0, y = 0]: number[]): Point => ({ x: x * MM, y: y * MM });

/** The places of a touch that can be dragged; the key says which of its values each is. */
export function handlesOf(touch: TouchValues): Handle[] {
  const all: Handle[] = [];
  for (const key of PLACES) {
    const v = get(touch, key);
    if (isPlace(v)) {
      all.push({ key, ...point(v) });
    }
  }
  for (const key of WAYS) {
    const v = get(touch, key);
    if (Array.isArray(v)) {
      v.forEach((p, i) => {
        if (isPlace(p)) {
          all.push({ key: `${key}.${i}`, ...point(p) });
        }
      });
    }
  }
  return all;
}

/** The touch with one of its places elsewhere. */
export function dragged(touch: TouchValues, to: Handle): TouchValues {
  return set(touch, to.key, [to.x / MM, to.y / MM]);
}

/** The way or area of a touch, for drawing it. */
export function outlineOf(touch: TouchValues): { points: Point[]; closed: boolean } | null {
  for (const key of WAYS) {
    const v = get(touch, key);
    if (Array.isArray(v) && v.every(isPlace) && v.length > 1) {
      return { points: v.map(point), closed: key !== 'along' };
    }
  }
  const from = get(touch, 'from');
  const to = get(touch, 'to');
  return isPlace(from) && isPlace(to)
    ? { points: [point(from), point(to)], closed: false }
    : isPlace(get(touch, 'at')) && isPlace(to)
      ? { points: [point(get(touch, 'at') as number[]), point(to)], closed: false }
      : null;
}

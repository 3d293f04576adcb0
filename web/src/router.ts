import { useSyncExternalStore } from 'react';

export const STATIONS = [
  'bring-in',
  'look-over',
  'shop',
  'check',
  'touch-up',
  'parts',
  'stencil',
  'panel',
  'mill',
  'strips',
  'cut',
  'order',
  'bench',
] as const;
export type Station = (typeof STATIONS)[number];

/** Where the user is: a job and a station, or the start. */
export interface Place {
  job: number | null;
  station: Station;
}

export function parse(path: string): Place {
  const m = /^\/jobs\/(\d+)(?:\/([a-z-]+))?/.exec(path);
  const station = STATIONS.find((s) => s === m?.[2]) ?? (m ? 'look-over' : 'bring-in');
  return { job: m ? Number(m[1]) : null, station };
}

export function href(place: Place): string {
  return place.job === null ? '/' : `/jobs/${place.job}/${place.station}`;
}

export function go(place: Place): void {
  if (window.location.pathname !== href(place)) {
    window.history.pushState(null, '', href(place));
    window.dispatchEvent(new PopStateEvent('popstate'));
  }
}

function subscribe(changed: () => void): () => void {
  window.addEventListener('popstate', changed);
  return () => window.removeEventListener('popstate', changed);
}

export function usePlace(): Place {
  const path = useSyncExternalStore(subscribe, () => window.location.pathname);
  return parse(path);
}

import { useSyncExternalStore } from 'react';

/** Windows narrower than this, in CSS pixels, have no room for everything beside the board. */
const NARROW = '(max-width: 940px)';

function subscribe(change: () => void): () => void {
  const query = window.matchMedia(NARROW);
  query.addEventListener('change', change);
  return () => query.removeEventListener('change', change);
}

/** Whether the window is narrow: a small screen, or a page that is zoomed. */
export function useNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => window.matchMedia(NARROW).matches);
}

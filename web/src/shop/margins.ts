import type { Headroom } from '../api/client';

/** The headroom of one number as written: "0.05" is a length in mm, "20 %" a share. */
export function marginText(headroom: Headroom, id: string): string {
  const share = headroom.percents[id];
  const mm = headroom.mm[id];
  return share !== undefined ? `${share} %` : mm !== undefined ? String(mm) : '';
}

function without(all: Record<string, number>, id: string): Record<string, number> {
  return Object.fromEntries(Object.entries(all).filter(([k]) => k !== id));
}

/** The headroom with one number's margin changed to what was written; null when it is no margin. */
export function withMargin(headroom: Headroom, id: string, text: string): Headroom | null {
  const bare = text.trim().replace(',', '.');
  const mm = without(headroom.mm, id);
  const percents = without(headroom.percents, id);
  if (bare === '') {
    return { ...headroom, mm, percents };
  }
  const share = bare.endsWith('%');
  const value = Number(bare.replace(/(%|mm)$/, '').trim());
  if (!Number.isFinite(value) || value < 0) {
    return null;
  }
  return share
    ? { ...headroom, mm, percents: { ...percents, [id]: value } }
    : { ...headroom, mm: { ...mm, [id]: value }, percents };
}

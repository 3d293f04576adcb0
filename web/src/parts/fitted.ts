import type { PartKind } from '../api/client';

/** Who fits parts, in words. */
const BY: Record<string, string> = {
  house: 'fitted by the shop',
  hand: 'soldered by hand',
  nobody: 'fitted by nobody',
};

export type FittedBy = PartKind['fittedBy'][number];

/** Who fits some parts and why, in one line; the shop needs no reason. */
export function fittedWords(f: FittedBy): string {
  const who = BY[f.by] ?? f.by;
  return f.by === 'house' ? f.why : `${who}: ${f.why}`;
}

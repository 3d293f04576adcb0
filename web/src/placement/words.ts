import type { PlacedKind } from '../api/client';

/** What is held of the parts of a footprint, in a few words. */
export function verdict(kind: PlacedKind): { words: string; mark: 'good' | 'look' | 'open' } {
  const count = (state: string) => kind.parts.filter((p) => p.state === state).length;
  const turned = kind.parts.filter((p) => p.state === 'turned' && !p.harmless).length;
  const harmless = count('turned') - turned;
  const unknown = count('unknown');
  if (turned > 0) {
    return { words: `${turned} turned`, mark: 'look' };
  }
  if (unknown === kind.parts.length) {
    return { words: 'cannot be told', mark: 'open' };
  }
  if (harmless > 0) {
    return { words: `${harmless} turned, which does not matter`, mark: 'good' };
  }
  return { words: unknown > 0 ? `${unknown} cannot be told` : 'lie alike', mark: 'good' };
}

/** A turn in degrees, without crumbs. */
export function degrees(n: number): string {
  return `${Math.round(n * 100) / 100}°`;
}

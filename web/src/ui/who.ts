const KEPT = 'last-cut-name';

/** Who signed or ordered something here last; empty before anybody did. */
export function lastName(): string {
  return localStorage.getItem(KEPT) ?? '';
}

export function keepName(name: string): void {
  localStorage.setItem(KEPT, name);
}

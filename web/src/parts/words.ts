/** An amount of money: more digits for what is small. */
export function money(amount: number, currency: string): string {
  const small = Math.abs(amount) < 0.1;
  const text = small ? amount.toFixed(4).replace(/0{1,2}$/, '') : amount.toFixed(2);
  return `${text} ${currency}`.trim();
}

/** How old something is, in words. */
export function age(time: string, now: number): string {
  const minutes = Math.floor((now - Date.parse(time)) / 60_000);
  if (!Number.isFinite(minutes) || minutes < 1) {
    return 'just now';
  }
  if (minutes < 60) {
    return `${minutes} min ago`;
  }
  const hours = Math.floor(minutes / 60);
  return hours < 48 ? `${hours} h ago` : `${Math.floor(hours / 24)} days ago`;
}

/** A number of pieces with a thin gap at thousands. */
export function pieces(n: number): string {
  return String(n).replace(/\B(?=(\d{3})+$)/g, '\u2009');
}

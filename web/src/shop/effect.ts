import type { OrderResult } from '../api/client';

type Value = OrderResult['options'][number]['values'][number];

/** "+12.00 EUR, +2 days"; empty where a choice changes neither. */
export function effect(v: Pick<Value, 'money' | 'days'>, currency: string): string {
  const sign = (n: number) => (n > 0 ? '+' : '−');
  return [
    v.money === 0 ? '' : `${sign(v.money)}${Math.abs(v.money).toFixed(2)} ${currency}`,
    v.days === 0
      ? ''
      : `${sign(v.days)}${Math.abs(v.days)} ${Math.abs(v.days) === 1 ? 'day' : 'days'}`,
  ]
    .filter((s) => s !== '')
    .join(', ');
}

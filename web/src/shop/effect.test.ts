import { describe, expect, it } from 'vitest';
import { effect } from './effect';

describe('what a choice does', () => {
  it('is told in money and days, with its sign', () => {
    expect(effect({ money: 12, days: 2 }, 'EUR')).toBe('+12.00 EUR, +2 days');
    expect(effect({ money: -3.5, days: -1 }, 'EUR')).toBe('−3.50 EUR, −1 day');
    expect(effect({ money: 0, days: 0 }, 'EUR')).toBe('');
  });
});

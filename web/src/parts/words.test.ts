import { describe, expect, it } from 'vitest';
import { age, money, pieces } from './words';

describe('words of the parts counter', () => {
  it('tells how old something is', () => {
    const now = Date.parse('2026-04-02T12:00:00Z');
    expect(age('2026-04-02T11:59:40Z', now)).toBe('just now');
    expect(age('2026-04-02T11:18:00Z', now)).toBe('42 min ago');
    expect(age('2026-04-01T11:00:00Z', now)).toBe('25 h ago');
    expect(age('2026-03-20T12:00:00Z', now)).toBe('13 days ago');
  });

  it('writes small amounts so that they are not nothing', () => {
    expect(money(0.0024, 'EUR')).toBe('0.0024 EUR');
    expect(money(0.09, 'EUR')).toBe('0.09 EUR');
    expect(money(12.5, 'EUR')).toBe('12.50 EUR');
    expect(money(0, 'EUR')).toBe('0.00 EUR');
  });

  it('parts thousands', () => {
    expect(pieces(1234567)).toBe('1\u2009234\u2009567');
    expect(pieces(999)).toBe('999');
  });
});

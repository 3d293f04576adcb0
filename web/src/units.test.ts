import { expect, test } from 'vitest';
import { length, nextUnit, number } from './units';

// 1 in = 25.4 mm exactly (international inch).
test('one inch in every unit', () => {
  expect(length(25_400_000, 'mm')).toBe('25.400 mm');
  expect(length(25_400_000, 'mil')).toBe('1000.00 mil');
  expect(length(25_400_000, 'inch')).toBe('1.0000 inch');
});

test('nothing is ever minus zero', () => {
  expect(number(-100, 'mm')).toBe('0.000');
});

test('units go round', () => {
  expect(nextUnit('mm')).toBe('mil');
  expect(nextUnit('inch')).toBe('mm');
});

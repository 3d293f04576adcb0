import { describe, expect, it } from 'vitest';
import type { Finding } from '../api/client';
import { alike, filtered, grouped, neighbours } from './findings';

const ALL = { text: '', severity: 'all', only: 'all', group: 'severity' } as const;

function finding(part: Partial<Finding> & { id: string }): Finding {
  return {
    number: 1,
    rule: 'clearance',
    title: 'Copper clearance',
    severity: 'stop',
    everywhere: false,
    layers: ['copper-top'],
    at: { x: 0, y: 0 },
    nets: [],
    parts: [],
    also: [],
    message: '',
    isNew: false,
    ...part,
  } as unknown as Finding;
}

const gap = finding({ id: 'a', nets: ['GND', 'VCC'] });
const near = finding({ id: 'b', at: { x: 2e6, y: 0 }, severity: 'look', rule: 'silk-on-pad' });
const chained = finding({ id: 'c', at: { x: 4e6, y: 0 }, isNew: true });
const far = finding({ id: 'd', at: { x: 40e6, y: 0 }, parts: ['U3'] });
const signed = finding({
  id: 'e',
  at: { x: 60e6, y: 0 },
  signOff: { by: 'Ida', reason: 'x', at: '', revision: 1 },
});
const whole = finding({ id: 'f', everywhere: true, rule: 'layer-missing', severity: 'look' });
const everything = [gap, near, chained, far, signed, whole];
const ids = (all: readonly Finding[]) => all.map((f) => f.id).join('');

describe('filtered', () => {
  it('finds every word anywhere in a finding', () => {
    expect(ids(filtered(everything, { ...ALL, text: 'vcc clearance' }))).toBe('a');
    expect(ids(filtered(everything, { ...ALL, text: 'u3' }))).toBe('d');
    expect(filtered(everything, { ...ALL, text: 'vcc u3' })).toEqual([]);
  });

  it('keeps a weight, what is open, what is new', () => {
    expect(ids(filtered(everything, { ...ALL, severity: 'look' }))).toBe('bf');
    expect(ids(filtered(everything, { ...ALL, only: 'signed' }))).toBe('e');
    expect(ids(filtered(everything, { ...ALL, only: 'open' }))).toBe('abcdf');
    expect(ids(filtered(everything, { ...ALL, only: 'new' }))).toBe('c');
  });
});

describe('grouped', () => {
  it('puts stops first whatever the order', () => {
    expect(grouped([near, gap], 'severity').map((g) => g.key)).toEqual(['stop', 'look']);
  });

  it('joins places through others, the whole board apart', () => {
    const places = grouped(everything, 'place');
    expect(places.map((g) => ids(g.findings))).toEqual(['abc', 'd', 'e', 'f']);
    expect(places[3]?.title).toBe('the whole board');
  });

  it('loses nothing', () => {
    for (const how of ['severity', 'rule', 'place'] as const) {
      const all = grouped(everything, how).flatMap((g) => g.findings);
      expect(new Set(all)).toEqual(new Set(everything));
      expect(all).toHaveLength(everything.length);
    }
  });
});

describe('what belongs to a finding', () => {
  it('is alike when the rule and the weight are and it is open', () => {
    expect(ids(alike(everything, gap))).toBe('acd');
  });

  it('is near within three millimetres', () => {
    expect(ids(neighbours(everything, near))).toBe('ac');
    expect(neighbours(everything, whole)).toEqual([]);
  });
});

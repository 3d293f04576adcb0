import { expect, test } from 'vitest';
import type { Job, NetLine, Parts } from '../api/client';
import { parsePlace, search } from './find';

const hole = (x: number, diameter: number) => ({
  x0: x,
  y0: 0,
  x1: x,
  y1: 0,
  diameter,
  plated: true,
});
const job = { holes: [hole(0, 300_000), hole(5e6, 800_000)] } as unknown as Job;
const net = (id: number, name: string): NetLine => ({
  net: id,
  name,
  lengthNm: 1e6,
  narrowestNm: 2e5,
  pads: 2,
  holes: 0,
  layers: 1,
  minX: 0,
  minY: 0,
  maxX: 4e6,
  maxY: 2e6,
});
const nets = [net(0, 'GND'), net(1, 'U10_RX'), net(2, 'VCC')];
const parts = {
  parts: [
    { designator: 'U10', value: 'AMP', side: 'top', x: 3e6, y: 4e6 },
    { designator: 'U1', value: 'MCU', side: 'bottom', x: 1e6, y: 1e6 },
  ],
} as unknown as Parts;
const places = [
  { designator: 'U1', x: 0, y: 0 },
  { designator: 'TP1', x: 7e6, y: 8e6 },
];
const found = (text: string) => search(text, 'mm', job, nets, parts, places);

test('a place in the unit of the screen, or in its own', () => {
  expect(parsePlace('12.5, -3', 'mm')).toEqual({ x: 12_500_000, y: -3_000_000 });
  expect(parsePlace('100 200 mil', 'mm')).toEqual({ x: 2_540_000, y: 5_080_000 });
  expect(parsePlace('R1', 'mm')).toBeNull();
});

test('the exact name comes first, then those that begin with it', () => {
  expect(found('u1').map((h) => h.text)).toEqual(['U1', 'U10', 'U10_RX']);
  expect(found('gnd')[0]?.net).toBe(0);
});

test('holes are found by their size', () => {
  const [first, ...more] = found('0.8');
  expect(first?.focus.x).toBe(5e6);
  expect(more.filter((h) => h.kind === 'hole')).toEqual([]);
});

test('a net is looked at whole', () => {
  expect(found('VCC')[0]?.focus).toMatchObject({ x: 2e6, y: 1e6, span: 5.2e6 });
});

test('nothing is found for nothing', () => {
  expect(found('  ')).toEqual([]);
});

test('what has pads but is not placed is found by its pads, and only then', () => {
  expect(found('tp1')[0]?.focus).toMatchObject({ x: 7e6, y: 8e6 });
  expect(found('u1').filter((h) => h.text === 'U1')).toHaveLength(1);
});

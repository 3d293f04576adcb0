import { expect, test } from 'vitest';
import {
  fit,
  gridStep,
  movedTo,
  pan,
  toBoard,
  toScreen,
  zoomAbout,
  type Viewport,
} from './viewport';

const base: Viewport = {
  cx: 4e6,
  cy: -3e6,
  scale: 1e-5,
  flipped: false,
  turn: 0,
  width: 700,
  height: 600,
};

for (const [flipped, turn] of [
  [false, 0],
  [true, 0],
  [false, 1],
  [true, 3],
  [false, 2],
] as const) {
  const v = { ...base, flipped, turn };

  test(`there and back again, flipped ${flipped}, turned ${turn}`, () => {
    const [px, py] = toScreen(v, 12_345_678, -9_876_543);
    const [x, y] = toBoard(v, px, py);
    expect(x).toBeCloseTo(12_345_678, 2);
    expect(y).toBeCloseTo(-9_876_543, 2);
  });

  test(`the place under the pointer stays there while zooming, flipped ${flipped}, turned ${turn}`, () => {
    const before = toBoard(v, 100, 520);
    const after = toBoard(zoomAbout(v, 100, 520, 3.7), 100, 520);
    expect(after[0]).toBeCloseTo(before[0], 2);
    expect(after[1]).toBeCloseTo(before[1], 2);
  });

  test(`what is dragged follows the pointer, flipped ${flipped}, turned ${turn}`, () => {
    const [x, y] = toBoard(v, 300, 300);
    const [px, py] = toScreen(pan(v, 40, -25), x, y);
    expect(px).toBeCloseTo(340, 6);
    expect(py).toBeCloseTo(275, 6);
  });
}

test('fit shows all of the extent', () => {
  const e = { minX: 0, minY: 0, maxX: 80e6, maxY: 56e6 };
  const v = fit(base, e);
  const corners = [toScreen(v, 0, 0), toScreen(v, 80e6, 56e6)].flat();
  expect(Math.min(...corners)).toBeGreaterThan(0);
  expect(corners[2]).toBeLessThan(700);
});

test('a moved picture shows every place where a drawn one would', () => {
  for (const flipped of [false, true]) {
    const drawn = { ...base, flipped };
    const now = zoomAbout(pan(drawn, 40, -25), 200, 100, 1.4);
    const m =
      /matrix\((.*)\)/
        .exec(movedTo(drawn, now) ?? '')?.[1]
        ?.split(',')
        .map(Number) ?? [];
    const [px, py] = toScreen(drawn, 5e6, -2e6);
    const [qx, qy] = toScreen(now, 5e6, -2e6);
    expect(px * (m[0] ?? 0) + (m[4] ?? 0)).toBeCloseTo(qx, 6);
    expect(py * (m[3] ?? 0) + (m[5] ?? 0)).toBeCloseTo(qy, 6);
  }
});

test('too far is drawn anew', () => {
  expect(movedTo(base, pan(base, 690, 0))).toBeNull();
  expect(movedTo(base, { ...base, scale: base.scale * 5 })).toBeNull();
  expect(movedTo(base, { ...base, flipped: true })).toBeNull();
});

test('a quarter turn takes what points right to point up', () => {
  const [ax, ay] = toScreen({ ...base, turn: 1 }, base.cx, base.cy);
  const [bx, by] = toScreen({ ...base, turn: 1 }, base.cx + 1e6, base.cy);
  expect(bx - ax).toBeCloseTo(0, 6);
  expect(ay - by).toBeCloseTo(10, 6);
});

test('a turned board is fitted by its turned size', () => {
  const e = { minX: 0, minY: 0, maxX: 200e6, maxY: 20e6 };
  const v = fit({ ...base, turn: 1 }, e);
  const ys = [toScreen(v, 0, 0)[1], toScreen(v, 200e6, 20e6)[1]];
  expect(Math.min(...ys)).toBeGreaterThan(0);
  expect(Math.max(...ys)).toBeLessThan(600);
});

test('grid lines are 1, 2 or 5 by tens of the unit, and not too dense', () => {
  for (const scale of [1e-6, 3.3e-6, 1e-5, 7e-5, 1e-3]) {
    for (const unit of [1e6, 25_400]) {
      const step = gridStep(scale, unit);
      const digits = (step / unit).toExponential().split('e')[0];
      expect(['1', '2', '5']).toContain(String(Number(Number(digits).toFixed(6))));
      expect(step * scale).toBeGreaterThanOrEqual(12 - 1e-6);
      expect(step * scale).toBeLessThan(31);
    }
  }
});

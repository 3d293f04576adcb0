import { describe, expect, it } from 'vitest';
import type { PanelResult } from '../api/client';
import { fresh, lying, planOf, toTicket } from './plan';
import { boardAt, boxOf, caught, onPanel } from './places';

const square = [0, 0, 30, 0, 30, 20, 0, 20].map((n) => n * 1e6);
const panel = {
  outlines: { '': [square] },
  boards: [
    { number: 1, pack: '', x: 0, y: 0, rotationDeg: 0, minX: 0, minY: 0, maxX: 30e6, maxY: 20e6 },
    { number: 2, pack: '', x: 60e6, y: 5e6, rotationDeg: 90 },
  ],
} as unknown as PanelResult;

describe('boards on a panel', () => {
  it('are turned, then shifted', () => {
    const second = panel.boards[1];
    if (!second) throw new Error('no board');
    const [x, y] = onPanel(second, 30e6, 0);
    expect(x).toBeCloseTo(60e6, 3);
    expect(y).toBeCloseTo(35e6, 3);
    const box = boxOf(panel, second);
    expect(box.minX).toBeCloseTo(40e6, 3);
    expect(box.maxY).toBeCloseTo(35e6, 3);
  });

  it('are found by place', () => {
    expect(boardAt(panel, 10e6, 10e6)?.number).toBe(1);
    expect(boardAt(panel, 50e6, 30e6)?.number).toBe(2);
    expect(boardAt(panel, 35e6, 10e6)).toBeNull();
  });

  it('catch on a gap beside others and in line with them, else on tenths', () => {
    const other = { minX: 0, minY: 0, maxX: 30e6, maxY: 20e6 };
    const near = { minX: 32.3e6, minY: 0.4e6, maxX: 62.3e6, maxY: 20.4e6 };
    const [dx, dy] = caught(near, [other], 2e6, 1e6);
    expect(near.minX + dx).toBeCloseTo(32e6, 3);
    expect(near.minY + dy).toBeCloseTo(0, 3);
    const far = { minX: 50.04e6, minY: 70.06e6, maxX: 80.04e6, maxY: 90.06e6 };
    const [fx, fy] = caught(far, [other], 2e6, 1e6);
    expect(far.minX + fx).toBeCloseTo(50e6, 3);
    expect(far.minY + fy).toBeCloseTo(70.1e6, 3);
  });
});

describe('the plan of a panel', () => {
  it('is the same when it comes back from the ticket', () => {
    const plan = { ...fresh(2, 3, 90, 'score'), gapMm: 0, places: lying(panel) };
    const t = toTicket(plan) as {
      rows: number;
      tab: { width_mm: number; per_side: number; bites: { hole_mm: number; pitch_mm: number } };
      places: { x_mm: number; y_mm: number; rotation_deg: number }[];
    };
    expect(t.places[1]).toEqual({ x_mm: 60, y_mm: 5, rotation_deg: 90 });
    const back = planOf({
      rows: t.rows,
      columns: 3,
      gapMm: 0,
      rotationDeg: 90,
      join: 'score',
      rails: 'all',
      railMm: 7,
      tab: {
        widthMm: t.tab.width_mm,
        perSide: t.tab.per_side,
        bites: { holeMm: t.tab.bites.hole_mm, pitchMm: t.tab.bites.pitch_mm },
      },
      fiducials: 3,
      toolingMm: 3,
      also: [],
      places: t.places.map((p) => ({
        pack: '',
        xMm: p.x_mm,
        yMm: p.y_mm,
        rotationDeg: p.rotation_deg,
      })),
    });
    expect(back).toEqual(plan);
  });
});

import { describe, expect, it } from 'vitest';
import { useTouch } from './scene';
import { places, typed } from './TouchForm';
import { rounded, stepNm } from './useDrawing';

describe('places of a touch', () => {
  it('are typed and read alike', () => {
    const points = [
      [10, 20],
      [30.5, -4],
    ];
    expect(places(typed(points))).toEqual(points);
    expect(places('1 2;3,4;')).toEqual([
      [1, 2],
      [3, 4],
    ]);
    expect(places('1, 2, 3')).toBeNull();
    expect(places('one, two')).toBeNull();
    expect(places('')).toBeNull();
  });

  it('are as round as a pointer can tell', () => {
    // 10 px to the mm: a pixel is 0.1 mm; 1000 px to the mm: 10 µm is the finest.
    expect(stepNm(1e-5)).toBe(100_000);
    expect(stepNm(1e-3)).toBe(10_000);
    expect(rounded({ x: 12_345_678, y: -4_449 }, 10_000)).toEqual({ x: 12_350_000, y: -0 });
  });

  it('end a shape only where there are enough of them', () => {
    const scene = useTouch.getState;
    scene().ask({ field: 'area', shape: 'area', says: '' });
    scene().add({ x: 0, y: 0 });
    scene().add({ x: 1, y: 0 });
    scene().finish();
    expect(scene().answer).toBeNull();
    scene().add({ x: 1, y: 1 });
    scene().finish();
    expect(scene().answer).toEqual({
      field: 'area',
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
      ],
    });
    expect(scene().asking).toBeNull();
    // A point is taken at once, and nothing is taken where nothing is asked for.
    scene().ask({ field: 'at', shape: 'point', says: '' });
    scene().add({ x: 7, y: 7 });
    expect(scene().answer?.points).toEqual([{ x: 7, y: 7 }]);
    scene().show({ answer: null });
    scene().add({ x: 8, y: 8 });
    expect(scene().answer).toBeNull();
  });
});

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Gestures, type Meant, type Touched } from './gestures';
import { fit, toBoard, toScreen, pan, zoomAbout, type Viewport } from './viewport';

describe('gestures', () => {
  let said: string[];
  let gestures: Gestures;
  const round = (...n: number[]) => n.map((v) => Math.round(v * 1000) / 1000).join(' ');
  const meant: Meant = {
    hover: (x, y) => said.push(`hover ${round(x, y)}`),
    pan: (x, y) => said.push(`pan ${round(x, y)}`),
    zoom: (x, y, f) => said.push(`zoom ${round(x, y, f)}`),
    tap: (x, y) => said.push(`tap ${round(x, y)}`),
    hold: (x, y) => said.push(`hold ${round(x, y)}`),
  };
  const at = (x: number, y: number, id = 1, kind: Touched['kind'] = 'mouse') => ({
    id,
    kind,
    x,
    y,
  });
  beforeEach(() => {
    said = [];
    gestures = new Gestures();
    gestures.mean(meant);
    vi.useFakeTimers();
  });
  afterEach(() => vi.useRealTimers());

  it('tells a click from a drag by how far the hand moves', () => {
    gestures.press(at(10, 10));
    gestures.move(at(12, 11));
    gestures.release(at(12, 11));
    expect(said).toEqual(['tap 12 11']);
    said = [];
    gestures.press(at(10, 10));
    gestures.move(at(20, 10));
    gestures.move(at(20, 15));
    gestures.release(at(20, 15));
    expect(said).toEqual(['pan 10 0', 'pan 0 5']);
  });

  it('lets a finger tremble more than a mouse', () => {
    gestures.press(at(10, 10, 1, 'touch'));
    gestures.move(at(16, 14, 1, 'touch'));
    gestures.release(at(16, 14, 1, 'touch'));
    expect(said).toEqual(['tap 16 14']);
  });

  it('hovers with a mouse and never with a finger', () => {
    gestures.move(at(5, 6));
    gestures.move(at(5, 6, 2, 'touch'));
    expect(said).toEqual(['hover 5 6']);
  });

  it('holds where a finger rests, and then taps nothing', () => {
    gestures.press(at(10, 10, 1, 'touch'));
    vi.advanceTimersByTime(600);
    gestures.release(at(10, 10, 1, 'touch'));
    expect(said).toEqual(['hold 10 10']);
  });

  it('keeps both places under both fingers through a pinch', () => {
    let view: Viewport = fit(
      { cx: 0, cy: 0, scale: 1, flipped: false, turn: 0, width: 400, height: 300 },
      { minX: 0, minY: 0, maxX: 40e6, maxY: 30e6 },
    );
    const pinch = new Gestures();
    pinch.mean({
      ...meant,
      pan: (dx, dy) => (view = pan(view, dx, dy)),
      zoom: (x, y, f) => (view = zoomAbout(view, x, y, f)),
    });
    const under = [toBoard(view, 100, 100), toBoard(view, 200, 100)] as const;
    pinch.press(at(100, 100, 1, 'touch'));
    pinch.press(at(200, 100, 2, 'touch'));
    for (let i = 1; i <= 20; i++) {
      pinch.move(at(100 - 2 * i, 100 + i, 1, 'touch'));
      pinch.move(at(200 + 3 * i, 100 + i, 2, 'touch'));
    }
    const [ax, ay] = toScreen(view, ...under[0]);
    const [bx, by] = toScreen(view, ...under[1]);
    expect(Math.hypot(ax - 60, ay - 120)).toBeLessThan(1.5);
    expect(Math.hypot(bx - 260, by - 120)).toBeLessThan(1.5);
    // One finger is lifted: the other pans on, and is no tap when it is lifted too.
    pinch.release(at(260, 120, 2, 'touch'));
    pinch.release(at(60, 120, 1, 'touch'));
    expect(said).toEqual([]);
  });

  it('forgets what was cancelled', () => {
    gestures.press(at(10, 10, 1, 'touch'));
    gestures.cancel(1);
    vi.advanceTimersByTime(600);
    gestures.move(at(80, 80, 1, 'touch'));
    gestures.release(at(80, 80, 1, 'touch'));
    expect(said).toEqual([]);
    expect(gestures.busy).toBe(false);
  });
});

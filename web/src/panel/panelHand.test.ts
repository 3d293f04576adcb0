import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PanelResult } from '../api/client';
import { PanelHand, type Means, type Moved } from './usePanelPointer';

/** Two boards of 20 × 10 mm, 2 mm apart, at ten pixels to the millimetre. */
const RING = [0, 0, 20e6, 0, 20e6, 10e6, 0, 10e6];
const PANEL = {
  width: 42e6,
  height: 10e6,
  outlines: { '': [RING] },
  boards: [
    { number: 1, pack: '', x: 0, y: 0, rotationDeg: 0 },
    { number: 2, pack: '', x: 22e6, y: 0, rotationDeg: 0 },
  ],
} as unknown as PanelResult;
const PORT = { cx: 21e6, cy: 5e6, scale: 1e-5, flipped: false, turn: 0, width: 500, height: 200 };

describe('a hand on a panel', () => {
  let shown: Moved | null;
  let means: Means;
  let hand: PanelHand;
  const at = (id: number, x: number, y: number, kind: 'mouse' | 'touch' = 'touch') => ({
    id,
    kind,
    x,
    y,
  });

  beforeEach(() => {
    shown = null;
    means = {
      panel: PANEL,
      port: PORT,
      gapNm: 0,
      select: vi.fn(),
      panBy: vi.fn(),
      zoomAt: vi.fn(),
      onMoved: vi.fn(),
    };
    hand = new PanelHand(
      (m) => (shown = m),
      () => undefined,
    );
    hand.mean(means);
  });

  it('drags the board under one finger and puts it down', () => {
    hand.press(at(1, 100, 100));
    expect(means.select).toHaveBeenLastCalledWith(1);
    hand.move(at(1, 100, 160));
    expect(shown).toMatchObject({ number: 1, dy: -6e6 });
    hand.release(at(1, 100, 160));
    expect(means.onMoved).toHaveBeenCalledOnce();
    expect(means.panBy).not.toHaveBeenCalled();
  });

  it('pinches with two fingers and leaves the boards where they are', () => {
    hand.press(at(1, 100, 100));
    hand.move(at(1, 100, 160));
    hand.press(at(2, 300, 160));
    expect(shown).toBeNull();
    hand.move(at(2, 400, 160));
    expect(means.zoomAt).toHaveBeenCalledWith(250, 160, 1.5);
    hand.release(at(2, 400, 160));
    hand.release(at(1, 100, 160));
    expect(means.onMoved).not.toHaveBeenCalled();
  });

  it('puts a board back on Esc, and when the system cancels', () => {
    for (const id of [undefined, 1]) {
      hand.press(at(1, 100, 100, 'mouse'));
      hand.move(at(1, 100, 160, 'mouse'));
      expect(shown).not.toBeNull();
      expect(hand.cancel(id)).toBe(true);
      expect(shown).toBeNull();
      hand.move(at(1, 100, 180, 'mouse'));
      hand.release(at(1, 100, 180, 'mouse'));
    }
    expect(means.onMoved).not.toHaveBeenCalled();
    expect(hand.cancel()).toBe(false);
  });

  it('pans beside the boards', () => {
    hand.press(at(1, 250, 190));
    hand.move(at(1, 270, 170));
    expect(means.panBy).toHaveBeenCalledWith(20, -20);
    expect(means.select).toHaveBeenLastCalledWith(null);
  });
});

import { describe, expect, it, vi } from 'vitest';

vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => undefined });
const { LEAST, paneWidth, USUAL } = await import('./panes');

describe('pane widths', () => {
  it('are as chosen where there is room', () => {
    expect(paneWidth(USUAL, 1280, 218)).toBe(USUAL);
    expect(paneWidth(500, 1280, 218)).toBe(500);
  });

  it('leave the board the larger part of a small window', () => {
    for (const window of [320, 480, 640, 800, 1024]) {
      const beside = window < 940 ? 48 : 218;
      const width = paneWidth(USUAL, window, beside);
      expect(window - beside - width).toBeGreaterThanOrEqual(0.51 * (window - beside));
    }
  });

  it('are not dragged to nothing', () => {
    expect(paneWidth(10, 1280, 218)).toBe(LEAST);
  });
});

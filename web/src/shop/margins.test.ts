import { describe, expect, it } from 'vitest';
import type { Shops } from '../api/client';
import { fits } from './CompareShops';
import { marginText, withMargin } from './margins';

const NONE = { percent: 10, mm: {}, percents: {} };

describe('margins', () => {
  it('reads a length and a share, and never both', () => {
    const length = withMargin(NONE, 'clearance', '0,05');
    expect(length?.mm).toEqual({ clearance: 0.05 });
    const share = withMargin(length ?? NONE, 'clearance', '20 %');
    expect(share).toEqual({ percent: 10, mm: {}, percents: { clearance: 20 } });
    expect(withMargin(share ?? NONE, 'clearance', ' ')).toEqual(NONE);
  });

  it('says back what was written', () => {
    for (const text of ['0.05', '20 %', '']) {
      expect(marginText(withMargin(NONE, 'hole-min', text) ?? NONE, 'hole-min')).toBe(text);
    }
  });

  it('takes no nonsense', () => {
    expect(withMargin(NONE, 'clearance', 'wide')).toBeNull();
    expect(withMargin(NONE, 'clearance', '-1')).toBeNull();
  });
});

describe('fits', () => {
  type Design = Shops['design'][number];
  type Shop = Shops['shops'][number];
  const shop = { limits: { clearance: 150_000, 'board-width-max': 100e6 } } as unknown as Shop;
  const design = (id: string, least: boolean, nm: number) =>
    ({ id, least, nm }) as unknown as Design;

  it('holds a least and a most against the shop', () => {
    expect(fits(design('clearance', true, 120_000), shop)).toBe(false);
    expect(fits(design('clearance', true, 150_000), shop)).toBe(true);
    expect(fits(design('board-width-max', false, 101e6), shop)).toBe(false);
  });

  it('does not know what the sheet does not state', () => {
    expect(fits(design('hole-min', true, 1), shop)).toBeNull();
  });
});

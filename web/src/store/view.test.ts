import { beforeAll, beforeEach, expect, test, vi } from 'vitest';

const kept = new Map<string, string>();

beforeAll(() => {
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  });
});

beforeEach(() => {
  kept.clear();
  vi.resetModules();
});

async function fresh() {
  return (await import('./view')).useView;
}

test('a film goes from on to dimmed to off and back', async () => {
  const view = await fresh();
  const seen: string[] = [];
  for (let i = 0; i < 3; i++) {
    view.getState().cycleFilm('copper-top');
    seen.push(view.getState().films['copper-top'] ?? '');
  }
  expect(seen).toEqual(['dim', 'off', 'on']);
});

test('unit and lamp outlive the page, what belongs to a job does not', async () => {
  const view = await fresh();
  view.getState().cycleUnit();
  view.getState().setLamp(0.6);
  view.getState().lightNet(4);
  vi.resetModules();
  const again = await fresh();
  expect(again.getState().unit).toBe('mil');
  expect(again.getState().lamp).toBe(0.6);
  expect(again.getState().net).toBeNull();
});

test('what was kept and cannot be read is left aside', async () => {
  kept.set('last-cut-view-1', '{broken');
  const view = await fresh();
  expect(view.getState().unit).toBe('mm');
});

test('measures are told apart and removed one by one', async () => {
  const view = await fresh();
  view.getState().addMeasure({ x: 0, y: 0 }, { x: 1, y: 1 });
  view.getState().addMeasure({ x: 0, y: 0 }, { x: 2, y: 2 });
  const [first] = view.getState().measures;
  view.getState().removeMeasure(first?.id ?? -1);
  expect(view.getState().measures.map((m) => m.to.x)).toEqual([2]);
  view.getState().startJob();
  expect(view.getState().measures).toEqual([]);
});

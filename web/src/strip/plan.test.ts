import { describe, expect, it } from 'vitest';
import { cut, linked, moved, placed, stood, turned, type Plan, type StripPart } from './plan';

const EMPTY: Plan = {
  stock: 'half',
  strips: 6,
  holes: 8,
  parts: [],
  cuts: [],
  knifeCuts: [],
  links: [],
  probes: [],
};

function part(feet: number[][], kind: string): StripPart {
  return {
    designator: 'U1',
    value: '',
    footprint: '',
    form: '',
    kind,
    pins: feet.map((_, i) => String(i + 1)),
    feet,
    leastSpan: 3,
    mostSpan: 8,
    canStand: kind === 'axial',
    placed: false,
    standing: false,
    locked: false,
    body: [],
  };
}

const DUAL = part(
  [
    [0, 0],
    [1, 0],
    [1, 3],
    [0, 3],
  ],
  'fixed',
);

const pins = (plan: Plan) => plan.parts[0]?.pins;

describe('a strip plan', () => {
  it('turns a part by quarters, four of which are none', () => {
    let plan = placed({ ...EMPTY, strips: 12, holes: 12 }, DUAL, [5, 5]);
    const before = pins(plan);
    plan = turned(plan, 'U1');
    expect(pins(plan)).toEqual({ 1: [5, 5], 2: [5, 4], 3: [8, 4], 4: [8, 5] });
    for (let i = 0; i < 3; i++) {
      plan = turned(plan, 'U1');
    }
    expect(pins(plan)).toEqual(before);
  });

  it('keeps what is put down at the edge on the board', () => {
    expect(pins(placed(EMPTY, DUAL, [5, 7]))).toEqual({
      1: [4, 4],
      2: [5, 4],
      3: [5, 7],
      4: [4, 7],
    });
  });

  it('stands an axial part up and lays it down again', () => {
    const axial = part(
      [
        [0, 0],
        [0, 3],
      ],
      'axial',
    );
    const lying = placed(EMPTY, axial, [1, 1]);
    const standing = stood(lying, axial);
    expect(standing.parts[0]).toMatchObject({ standing: true, pins: { 1: [1, 1], 2: [1, 2] } });
    expect(stood(standing, axial)).toEqual(lying);
  });

  it('makes cuts and links, and takes the same ones away again', () => {
    const plan = linked(cut(EMPTY, [1, 2]), [0, 0], [3, 0]);
    expect(plan.cuts).toEqual([[1, 2]]);
    expect(plan.links).toHaveLength(1);
    expect(linked(cut(plan, [1, 2]), [3, 0], [0, 0])).toEqual(EMPTY);
    expect(linked(EMPTY, [0, 0], [0, 0])).toBe(EMPTY);
    expect(pins(moved(placed(EMPTY, DUAL, [0, 0]), 'U1', 1, 2))).toMatchObject({ 1: [1, 2] });
  });
});

import type { StripResult } from '../api/client';

/** A hole: strip and hole, both from 0. */
export type Hole = readonly [number, number];

export interface Placed {
  designator: string;
  pins: Record<string, Hole>;
  standing: boolean;
  locked: boolean;
}

/** The plan of a strip board, as it is edited. */
export interface Plan {
  stock: string;
  strips: number;
  holes: number;
  parts: Placed[];
  cuts: Hole[];
  knifeCuts: Hole[];
  links: [Hole, Hole][];
  probes: { net: string; at: Hole }[];
}

export type StripPart = StripResult['parts'][number];

export const same = (a: Hole, b: Hole): boolean => a[0] === b[0] && a[1] === b[1];

function hole(at: readonly number[] | undefined): Hole {
  return [at?.[0] ?? 0, at?.[1] ?? 0];
}

export function planOf(view: StripResult): Plan {
  const p = view.plan;
  return {
    stock: p.stock ?? view.board,
    strips: p.strips ?? 0,
    holes: p.holes ?? 0,
    parts: (p.parts ?? []).map((x) => ({
      designator: x.designator,
      pins: Object.fromEntries(Object.entries(x.pins).map(([pin, at]) => [pin, hole(at)])),
      standing: x.standing ?? false,
      locked: x.locked ?? false,
    })),
    cuts: (p.cuts ?? []).map(hole),
    knifeCuts: (p.knifeCuts ?? []).map(hole),
    links: (p.links ?? []).map((l) => [hole(l[0]), hole(l[1])]),
    probes: (p.probes ?? []).map((x) => ({ net: x.net, at: hole(x.at) })),
  };
}

/** The plan by the names of the ticket, with what else is chosen about the board. */
export function toTicket(view: StripResult, plan: Plan | null): Record<string, unknown> {
  const forms = Object.fromEntries(
    Object.entries(view.plan.forms ?? {}).map(([name, f]) => [
      name,
      {
        shape: f.shape,
        leads: f.leads,
        spacing: f.spacing ?? 1,
        ...(f.rowsApart ? { rows_apart: f.rowsApart } : {}),
        length_mm: f.lengthMm,
        width_mm: f.widthMm,
        height_mm: f.heightMm,
      },
    ]),
  );
  const beside = {
    weights: view.weights,
    ...(Object.keys(forms).length > 0 ? { forms } : {}),
  };
  if (!plan) {
    return beside;
  }
  return {
    ...beside,
    stock: plan.stock,
    strips: plan.strips,
    holes: plan.holes,
    parts: plan.parts.map((p) => ({
      designator: p.designator,
      pins: p.pins,
      standing: p.standing,
      ...(p.locked ? { locked: true } : {}),
    })),
    cuts: plan.cuts,
    knife_cuts: plan.knifeCuts,
    links: plan.links,
    probes: plan.probes,
  };
}

function changed(plan: Plan, name: string, change: (p: Placed) => Placed): Plan {
  return { ...plan, parts: plan.parts.map((p) => (p.designator === name ? change(p) : p)) };
}

function eachPin(p: Placed, to: (at: Hole) => Hole): Placed {
  return {
    ...p,
    pins: Object.fromEntries(Object.entries(p.pins).map(([pin, at]) => [pin, to(at)])),
  };
}

export function moved(plan: Plan, name: string, strips: number, holes: number): Plan {
  return changed(plan, name, (p) => eachPin(p, ([s, h]) => [s + strips, h + holes]));
}

function first(p: Placed): Hole {
  return Object.values(p.pins)[0] ?? [0, 0];
}

/** Turned by a quarter clockwise about its first lead, and kept on the board. */
export function turned(plan: Plan, name: string): Plan {
  return changed(plan, name, (p) => {
    const [s0, h0] = first(p);
    return within(
      eachPin(p, ([s, h]) => [s0 + (h - h0), h0 - (s - s0)]),
      plan,
    );
  });
}

function within(p: Placed, plan: Plan): Placed {
  const all = Object.values(p.pins);
  const off = (least: number, most: number, size: number) =>
    least < 0 ? -least : most >= size ? size - 1 - most : 0;
  const strips = all.map((h) => h[0]);
  const holes = all.map((h) => h[1]);
  const ds = off(Math.min(...strips), Math.max(...strips), plan.strips);
  const dh = off(Math.min(...holes), Math.max(...holes), plan.holes);
  return eachPin(p, ([s, h]) => [s + ds, h + dh]);
}

/** An axial part stood up, or laid down again. */
export function stood(plan: Plan, part: StripPart): Plan {
  return changed(plan, part.designator, (p) => {
    const [a, z] = part.pins;
    const from = a === undefined ? undefined : p.pins[a];
    const to = z === undefined ? undefined : p.pins[z];
    if (!from || !to || z === undefined) {
      return p;
    }
    const span = p.standing ? part.leastSpan : 1;
    const ds = Math.sign(to[0] - from[0]);
    const dh = ds === 0 ? Math.sign(to[1] - from[1]) || 1 : 0;
    const end: Hole = [from[0] + ds * span, from[1] + dh * span];
    return within({ ...p, standing: !p.standing, pins: { ...p.pins, [z]: end } }, plan);
  });
}

/** One end of a part with two bendable leads moved to another hole. */
export function bent(plan: Plan, name: string, pin: string, to: Hole): Plan {
  return changed(plan, name, (p) => ({ ...p, pins: { ...p.pins, [pin]: to } }));
}

/** A part put down with its first lead in a hole. */
export function placed(plan: Plan, part: StripPart, at: Hole): Plan {
  const pins = Object.fromEntries(
    part.pins.map((pin, i) => {
      const foot = hole(part.feet[i]);
      return [pin, [at[0] + foot[0], at[1] + foot[1]] as Hole];
    }),
  );
  const next = within({ designator: part.designator, pins, standing: false, locked: false }, plan);
  return { ...plan, parts: [...without(plan, part.designator).parts, next] };
}

export function without(plan: Plan, name: string): Plan {
  return { ...plan, parts: plan.parts.filter((p) => p.designator !== name) };
}

export function locked(plan: Plan, name: string): Plan {
  return changed(plan, name, (p) => ({ ...p, locked: !p.locked }));
}

function toggled(list: Hole[], at: Hole): Hole[] {
  return list.some((h) => same(h, at)) ? list.filter((h) => !same(h, at)) : [...list, at];
}

export function cut(plan: Plan, at: Hole): Plan {
  return { ...plan, cuts: toggled(plan.cuts, at) };
}

/** A cut with a knife between a hole and the next one. */
export function knifed(plan: Plan, at: Hole): Plan {
  return { ...plan, knifeCuts: toggled(plan.knifeCuts, at) };
}

/** A link from hole to hole; the same one drawn again is taken away. */
export function linked(plan: Plan, from: Hole, to: Hole): Plan {
  if (same(from, to)) {
    return plan;
  }
  const is = ([a, b]: [Hole, Hole]) =>
    (same(a, from) && same(b, to)) || (same(a, to) && same(b, from));
  return plan.links.some(is)
    ? { ...plan, links: plan.links.filter((l) => !is(l)) }
    : { ...plan, links: [...plan.links, [from, to]] };
}

export function unlinked(plan: Plan, index: number): Plan {
  return { ...plan, links: plan.links.filter((_, i) => i !== index) };
}

/** The board with nothing on it. */
export function cleared(view: StripResult, plan: Plan): Plan {
  const stock = view.stock.find((s) => s.name === plan.stock) ?? view.stock[0];
  return {
    stock: stock?.name ?? plan.stock,
    strips: stock?.strips ?? plan.strips,
    holes: stock?.holes ?? plan.holes,
    parts: [],
    cuts: [],
    knifeCuts: [],
    links: [],
    probes: [],
  };
}

/** The part whose lead is in a hole, and which lead. */
export function leadAt(plan: Plan, at: Hole): { part: Placed; pin: string } | null {
  for (const part of plan.parts) {
    for (const [pin, h] of Object.entries(part.pins)) {
      if (same(h, at)) {
        return { part, pin };
      }
    }
  }
  return null;
}

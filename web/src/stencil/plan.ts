import type { Shaping, StencilPlan } from '../api/client';

/** A shaping by the names of the ticket; what is not said is left out. */
function shaping(s: Partial<Shaping>): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  if (s.reduceMm !== undefined) out['reduce_mm'] = s.reduceMm;
  if (s.reducePercent !== undefined) out['reduce_percent'] = s.reducePercent;
  if (s.cornerMm !== undefined) out['corner_mm'] = s.cornerMm;
  if (s.panes) {
    out['panes'] = {
      over_mm2: s.panes.overMm2,
      web_mm: s.panes.webMm,
      cover_percent: s.panes.coverPercent,
    };
  }
  if (s.homePlate) {
    out['home_plate'] = {
      ratio: s.homePlate.ratio,
      ...(s.homePlate.packages && s.homePlate.packages.length > 0
        ? { packages: s.homePlate.packages }
        : {}),
    };
  }
  return out;
}

/** The plan as the ticket has it. */
export function toTicket(p: Partial<StencilPlan>): Record<string, unknown> {
  const out = shaping(p);
  if (p.foilMm !== undefined) out['foil_mm'] = p.foilMm;
  const own = Object.entries(p.packages ?? {})
    .map(([name, s]) => [name, shaping(s)] as const)
    .filter(([, s]) => Object.keys(s).length > 0);
  if (own.length > 0) out['packages'] = Object.fromEntries(own);
  if (p.leaveOutUnfitted) out['leave_out_unfitted'] = true;
  if (p.framed) out['framed'] = true;
  if (p.alignMm) out['align_mm'] = p.alignMm;
  return out;
}

/** What is chosen for all openings ('') or for a package. */
export function chosenFor(p: Partial<StencilPlan>, name: string): Partial<Shaping> {
  return name === '' ? p : (p.packages?.[name] ?? {});
}

/** The plan with something else chosen for all or for a package; undefined takes back. */
export function withShaping(
  p: Partial<StencilPlan>,
  name: string,
  change: { [K in keyof Shaping]?: Shaping[K] | undefined },
): Partial<StencilPlan> {
  const next = { ...chosenFor(p, name), ...change } as Partial<Shaping>;
  return name === ''
    ? { ...p, ...(change as Partial<StencilPlan>) }
    : { ...p, packages: { ...p.packages, [name]: next as Shaping } };
}

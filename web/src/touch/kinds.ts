import type { Touches } from '../api/client';

export type TouchValues = Record<string, unknown>;
export type Room = Touches['room'];

/** One thing a form asks for; keys within keys are parted by a point. */
export type Field =
  | { key: string; name: string; type: 'mm'; signed?: boolean; optional?: boolean }
  | { key: string; name: string; type: 'count' | 'degrees' }
  | { key: string; name: string; type: 'point' }
  | { key: string; name: string; type: 'line' | 'area'; optional?: string }
  | { key: string; name: string; type: 'net'; optional?: string }
  | { key: string; name: string; type: 'layer'; of: 'copper' | 'drawn' }
  | { key: string; name: string; type: 'flag' }
  | { key: string; name: string; type: 'text' }
  | { key: string; name: string; type: 'drawing' }
  | { key: string; name: string; type: 'word'; options: { value: string; text: string }[] };

/** A touch as the menu offers it. */
export interface Offered {
  id: string;
  name: string;
  group: string;
  kind: string;
  fields: Field[];
  usual: (room: Room) => TouchValues;
  /** Only where the shop is a mill. */
  milled?: boolean;
}

/** The layer of a form that stands for both outer ones: two touches are made of it. */
export const BOTH = 'both';

const NET: Field = { key: 'net', name: 'Net', type: 'net' };
const ANY_NET: Field = { key: 'net', name: 'Net', type: 'net', optional: 'all nets' };
const COPPER: Field = { key: 'layer', name: 'Layer', type: 'layer', of: 'copper' };
const DRAWN: Field = { key: 'layer', name: 'Layer', type: 'layer', of: 'drawn' };
const AT: Field = { key: 'at', name: 'Place', type: 'point' };
const mm = (key: string, name: string): Field => ({ key, name, type: 'mm' });
const VIA: Field[] = [mm('hole_mm', 'Hole'), mm('pad_mm', 'Pad')];
const NONE = () => ({});

export const OFFERED: readonly Offered[] = [
  {
    id: 'pour',
    name: 'Pour',
    group: 'Areas of copper',
    kind: 'pour',
    fields: [
      COPPER,
      NET,
      { key: 'area', name: 'Area', type: 'area', optional: 'the whole board' },
      mm('clearance_mm', 'To other copper'),
      mm('edge_mm', 'To the edge'),
      mm('least_width_mm', 'Minimum neck width'),
      {
        key: 'relief',
        name: 'Pads of the net',
        type: 'word',
        options: [
          { value: 'spokes', text: 'on spokes' },
          { value: 'solid', text: 'covered' },
        ],
      },
      { key: 'relief.spokes', name: 'Spokes', type: 'count' },
      mm('relief.spoke_mm', 'Spoke width'),
      mm('relief.gap_mm', 'Gap round the pad'),
      {
        key: 'islands',
        name: 'Islands',
        type: 'word',
        options: [
          { value: 'remove', text: 'left out' },
          { value: 'keep', text: 'kept' },
        ],
      },
      { key: 'hatch.line_mm', name: 'Hatch, line', type: 'mm', optional: true },
      { key: 'hatch.gap_mm', name: 'Hatch, gap', type: 'mm', optional: true },
    ],
    usual: (r) => ({
      layer: 'copper-top',
      area: 'board',
      clearance_mm: Math.max(0.2, r.clearanceMm),
      edge_mm: r.edgeMm,
      least_width_mm: Math.max(0.2, r.neckMm),
      relief: { spokes: 4, spoke_mm: 0.3, gap_mm: 0.25 },
      islands: 'remove',
      mask_mm: r.maskMm,
    }),
  },
  {
    id: 'ground',
    name: 'Ground all over, least to mill',
    group: 'Areas of copper',
    kind: 'pour',
    milled: true,
    fields: [
      COPPER,
      NET,
      mm('clearance_mm', 'Channel round other nets'),
      mm('edge_mm', 'To the edge'),
    ],
    usual: (r) => ({
      layer: BOTH,
      area: 'board',
      clearance_mm: r.clearanceMm,
      edge_mm: r.edgeMm,
      least_width_mm: r.neckMm,
      relief: 'solid',
      islands: 'keep',
    }),
  },
  {
    id: 'stitch',
    name: 'Stitching',
    group: 'Areas of copper',
    kind: 'stitch',
    fields: [
      NET,
      { key: 'along', name: 'Along', type: 'line', optional: 'a grid all over' },
      mm('pitch_mm', 'Pitch'),
      ...VIA,
    ],
    usual: () => ({ pitch_mm: 5, hole_mm: 0.3, pad_mm: 0.6 }),
  },
  {
    id: 'strap',
    name: 'Strap over a cut',
    group: 'Areas of copper',
    kind: 'strap',
    fields: [
      NET,
      { key: 'from', name: 'From', type: 'point' },
      { key: 'to', name: 'To', type: 'point' },
      mm('width_mm', 'Width'),
      ...VIA,
    ],
    usual: () => ({ width_mm: 0.5, hole_mm: 0.3, pad_mm: 0.6 }),
  },
  {
    id: 'bus-bar',
    name: 'Bus bar on both sides',
    group: 'Areas of copper',
    kind: 'bus-bar',
    fields: [
      NET,
      { key: 'along', name: 'Along', type: 'line' },
      mm('width_mm', 'Width'),
      mm('pitch_mm', 'A via every'),
      ...VIA,
    ],
    usual: () => ({ width_mm: 2, pitch_mm: 3, hole_mm: 0.3, pad_mm: 0.6 }),
  },
  {
    id: 'keep-away',
    name: 'Keep pours away',
    group: 'Areas of copper',
    kind: 'keep-away',
    fields: [
      mm('clear_mm', 'From other copper'),
      mm('edge_mm', 'From the edge'),
      mm('hole_mm', 'From unplated holes'),
      mm('mask_mm', 'From openings over others'),
      mm('least_mm', 'Minimum neck width'),
    ],
    usual: (r) => ({
      clear_mm: r.clearanceMm,
      edge_mm: r.edgeMm,
      hole_mm: r.holeMm,
      mask_mm: Math.max(0.001, r.maskMm),
      least_mm: r.neckMm,
    }),
  },
  {
    id: 'slivers',
    name: 'Mend necks',
    group: 'Areas of copper',
    kind: 'slivers',
    fields: [mm('least_mm', 'Narrower is a neck')],
    usual: (r) => ({ least_mm: r.neckMm }),
  },
  {
    id: 'widen',
    name: 'Widen tracks',
    group: 'Tracks and rings',
    kind: 'widen',
    fields: [ANY_NET, mm('to_mm', 'To')],
    usual: () => ({ to_mm: 0.5 }),
  },
  {
    id: 'thin',
    name: 'Thin tracks',
    group: 'Tracks and rings',
    kind: 'thin',
    fields: [NET, mm('to_mm', 'To')],
    usual: () => ({ to_mm: 0.2 }),
  },
  {
    id: 'ring',
    name: 'Thicken rings',
    group: 'Tracks and rings',
    kind: 'ring',
    fields: [mm('least_mm', 'At least')],
    usual: (r) => ({ least_mm: r.ringMm }),
  },
  {
    id: 'teardrop',
    name: 'Teardrops',
    group: 'Tracks and rings',
    kind: 'teardrop',
    fields: [mm('length_mm', 'Length')],
    usual: () => ({ length_mm: 0.5 }),
  },
  {
    id: 'covered-tracks',
    name: 'Take covered tracks away',
    group: 'Tracks and rings',
    kind: 'covered-tracks',
    fields: [ANY_NET],
    usual: NONE,
  },
  {
    id: 'outline-off',
    name: 'Remove the outline from copper',
    group: 'Tracks and rings',
    kind: 'outline-off',
    fields: [],
    usual: NONE,
  },
  {
    id: 'hole',
    name: 'Add a hole',
    group: 'Holes',
    kind: 'hole',
    fields: [
      AT,
      mm('diameter_mm', 'Diameter'),
      { key: 'plated', name: 'Plated', type: 'flag' },
      { key: 'pad_mm', name: 'Pad, 0 for none', type: 'mm', optional: true },
      { key: 'keep_out_mm', name: 'Nothing within', type: 'mm', optional: true },
    ],
    usual: (r) => ({ diameter_mm: 3.2, plated: false, keep_out_mm: r.holeMm }),
  },
  {
    id: 'hole-move',
    name: 'Move a hole',
    group: 'Holes',
    kind: 'hole-move',
    fields: [
      { key: 'at', name: 'The hole', type: 'point' },
      { key: 'to', name: 'To', type: 'point' },
    ],
    usual: NONE,
  },
  {
    id: 'hole-size',
    name: 'Another size',
    group: 'Holes',
    kind: 'hole-size',
    fields: [{ key: 'at', name: 'The hole', type: 'point' }, mm('diameter_mm', 'Diameter')],
    usual: () => ({ diameter_mm: 1 }),
  },
  {
    id: 'hole-plating',
    name: 'Plated or not',
    group: 'Holes',
    kind: 'hole-plating',
    fields: [
      { key: 'at', name: 'The hole', type: 'point' },
      { key: 'plated', name: 'Plated', type: 'flag' },
    ],
    usual: () => ({ plated: false }),
  },
  {
    id: 'hole-snap',
    name: 'Snap to the rack',
    group: 'Holes',
    kind: 'hole-snap',
    fields: [mm('most_mm', 'By at most')],
    usual: () => ({ most_mm: 0.15 }),
  },
  {
    id: 'mounting-holes',
    name: 'Mounting holes',
    group: 'Holes',
    kind: 'mounting-holes',
    fields: [
      mm('diameter_mm', 'Diameter'),
      mm('inset_mm', 'From the edges'),
      mm('keep_out_mm', 'Nothing within'),
    ],
    usual: () => ({ diameter_mm: 3.2, inset_mm: 4, keep_out_mm: 1.5 }),
  },
  {
    id: 'corners',
    name: 'Rounded corners',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [mm('corner_mm', 'Radius')],
    usual: () => ({ corner_mm: 3 }),
  },
  {
    id: 'cut-out',
    name: 'Cut-out, drawn',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [{ key: 'cut_out', name: 'Shape', type: 'area' }],
    usual: NONE,
  },
  {
    id: 'round-cut-out',
    name: 'Cut-out, round',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [
      { key: 'cut_out.at', name: 'Middle', type: 'point' },
      mm('cut_out.diameter_mm', 'Diameter'),
    ],
    usual: () => ({ cut_out: { diameter_mm: 6 } }),
  },
  {
    id: 'size',
    name: 'Another width',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [mm('scale_to_mm', 'Width')],
    usual: NONE,
  },
  {
    id: 'move-edge',
    name: 'Move the edge',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [
      { key: 'move_mm.0', name: 'To the right', type: 'mm', signed: true },
      { key: 'move_mm.1', name: 'Up', type: 'mm', signed: true },
    ],
    usual: () => ({ move_mm: [0, 0] }),
  },
  {
    id: 'replace',
    name: 'Outline from a drawing',
    group: 'Edge of the board',
    kind: 'edge',
    fields: [
      { key: 'replace', name: 'Drawing', type: 'drawing' },
      { key: 'scale_to_mm', name: 'Width, if it says none', type: 'mm', optional: true },
    ],
    usual: NONE,
  },
  {
    id: 'silk-clip',
    name: 'Clip the silk',
    group: 'Silk and lettering',
    kind: 'silk-clip',
    fields: [mm('clear_mm', 'Off pads and holes')],
    usual: (r) => ({ clear_mm: r.silkMm }),
  },
  {
    id: 'silk-thicken',
    name: 'Thicken the silk',
    group: 'Silk and lettering',
    kind: 'silk-thicken',
    fields: [mm('least_mm', 'At least')],
    usual: () => ({ least_mm: 0.15 }),
  },
  {
    id: 'labels',
    name: 'Designators or values',
    group: 'Silk and lettering',
    kind: 'labels',
    fields: [
      { key: 'hide', name: 'Take away what there is', type: 'flag' },
      {
        key: 'show',
        name: 'Write',
        type: 'word',
        options: [
          { value: 'nothing', text: 'nothing' },
          { value: 'designators', text: 'designators' },
          { value: 'values', text: 'values' },
        ],
      },
      mm('height_mm', 'Height'),
    ],
    usual: () => ({ hide: true, show: 'values', height_mm: 1 }),
  },
  {
    id: 'text',
    name: 'Text',
    group: 'Silk and lettering',
    kind: 'text',
    fields: [
      DRAWN,
      { key: 'text', name: 'Text', type: 'text' },
      AT,
      mm('height_mm', 'Height'),
      { key: 'rotation_deg', name: 'Turned', type: 'degrees' },
    ],
    usual: () => ({ layer: 'silk-top', text: '', height_mm: 1.2, rotation_deg: 0 }),
  },
  {
    id: 'art',
    name: 'Art from a drawing',
    group: 'Silk and lettering',
    kind: 'art',
    fields: [
      DRAWN,
      { key: 'svg', name: 'Drawing', type: 'drawing' },
      AT,
      { key: 'width_mm', name: 'Width, else its own', type: 'mm', optional: true },
      mm('least_mm', 'Thinnest stroke'),
    ],
    usual: () => ({ layer: 'silk-top', least_mm: 0.15 }),
  },
  {
    id: 'mask',
    name: 'Mask openings, all',
    group: 'Mask and paste',
    kind: 'mask',
    fields: [{ key: 'grow_mm', name: 'Larger by, all round', type: 'mm', signed: true }],
    usual: () => ({ grow_mm: 0.05 }),
  },
  {
    id: 'dam',
    name: 'Thin webs of mask',
    group: 'Mask and paste',
    kind: 'mask',
    fields: [mm('least_dam_mm', 'None under')],
    usual: () => ({ least_dam_mm: 0.1 }),
  },
  {
    id: 'open-pads',
    name: 'Open covered pads',
    group: 'Mask and paste',
    kind: 'open-pads',
    fields: [mm('grow_mm', 'Beyond the pad')],
    usual: () => ({ grow_mm: 0.05 }),
  },
  {
    id: 'cover-vias',
    name: 'Vias covered or open',
    group: 'Mask and paste',
    kind: 'cover-vias',
    fields: [
      {
        key: 'cover',
        name: 'The vias are',
        type: 'word',
        options: [
          { value: 'tented', text: 'covered' },
          { value: 'open', text: 'open' },
        ],
      },
    ],
    usual: () => ({ cover: 'tented' }),
  },
  {
    id: 'paste',
    name: 'Paste openings, all',
    group: 'Mask and paste',
    kind: 'paste',
    fields: [
      { key: 'grow_mm', name: 'Larger by, all round', type: 'mm', signed: true },
      { key: 'off_holes', name: 'None over holes of leads', type: 'flag' },
    ],
    usual: () => ({ grow_mm: 0, off_holes: true }),
  },
];

/** The menu's entry that a touch was made by: of its kind, the one with the most of its keys. */
export function offeredFor(touch: TouchValues): Offered | undefined {
  const fits = (o: Offered) => o.fields.filter((f) => get(touch, f.key) !== undefined).length;
  return OFFERED.filter((o) => o.kind === touch['kind']).sort((a, b) => fits(b) - fits(a))[0];
}

/** The touches that a form stands for: one, or one for each outer side. */
export function touchesOf(values: TouchValues): TouchValues[] {
  return values['layer'] === BOTH
    ? ['copper-top', 'copper-bottom'].map((layer) => ({ ...values, layer }))
    : [values];
}

/** A value by its key; keys within keys, and places in lists, are parted by a point. */
export function get(values: TouchValues, key: string): unknown {
  return key
    .split('.')
    .reduce<unknown>(
      (at, k) =>
        at !== null && typeof at === 'object' ? (at as Record<string, unknown>)[k] : undefined,
      values,
    );
}

/** The same values without one of them. */
export function without(values: TouchValues, key: string): TouchValues {
  return Object.fromEntries(Object.entries(values).filter(([k]) => k !== key));
}

/** The same values with one of them set; undefined takes it away, and what is empty then too. */
export function set(values: TouchValues, key: string, value: unknown): TouchValues {
  const [first = '', ...rest] = key.split('.');
  const inner = values[first];
  if (rest.length > 0 && Array.isArray(inner)) {
    const list = [...(inner as unknown[])];
    list[Number(rest[0])] = value;
    return { ...values, [first]: list };
  }
  const next =
    rest.length === 0
      ? value
      : set(
          inner !== null && typeof inner === 'object' ? (inner as TouchValues) : {},
          rest.join('.'),
          value,
        );
  const others = without(values, first);
  const empty =
    next === undefined ||
    (rest.length > 0 && Object.keys(next as Record<string, unknown>).length === 0);
  return empty ? others : { ...values, [first]: next };
}

/** Which fields a touch shows: numbers of spokes only where there are spokes. */
export function shownFields(offered: Offered, values: TouchValues): Field[] {
  const solid = values['relief'] === 'solid';
  return offered.fields.filter((f) => !(solid && f.key.startsWith('relief.')));
}

/** What is still missing, in words; empty when it can be done. */
export function missing(offered: Offered, values: TouchValues): string {
  const open = shownFields(offered, values).filter((f) => {
    const optional = 'optional' in f && f.optional;
    if (optional || f.type === 'flag') {
      return false;
    }
    if (f.type === 'drawing') {
      return !values[f.key] && !values['drawing'];
    }
    if (f.type === 'net') {
      return !values['net'] && !values['at'];
    }
    const v = get(values, f.key);
    return v === undefined || v === '' || v === null;
  });
  return open.map((f) => f.name.toLowerCase()).join(', ');
}

import { saw, changing } from '../ticket/changing';
import { useReading } from '../ticket/reading';
import { ApiError, StaleError } from './errors';
import { follow } from './follow';
import type { components } from './schema';

type Schemas = components['schemas'];
export type Job = Schemas['JobView'];
export type Table = Schemas['ColumnsView'];
export type JobLine = Schemas['JobLine'];
export type Layer = Schemas['LayerView'];
export type Hole = Schemas['HoleView'];
export type Sheet = Schemas['SheetView'];
export type Check = Schemas['CheckView'];
export type Finding = Schemas['FindingView'];
export type Outputs = Schemas['OutputsView'];
export type Operation = Schemas['OperationView'];
export type Paths = Schemas['PathsView'];
export type Parts = Schemas['PartsView'];
export type PartKind = Schemas['KindView'];
export type Difference = Schemas['DifferenceView'];
export type Candidates = Schemas['CandidatesView'];
export type Offer = Schemas['OfferView'];
export type Fitting = Partial<Schemas['FittingView']>;
export type Placement = Schemas['PlacementView'];
export type PlacedKind = Placement['packages'][number];
export type KindSheet = Schemas['KindSheetView'];
export type StencilResult = Schemas['StencilView'];
export type StencilPlan = Schemas['StencilJson'];
export type OrderMark = Schemas['OrderMarkView'];
/** The quote is null where nobody knows the board's size, the mark where no place is said. */
export type OrderResult = Omit<Schemas['OrderView'], 'quote' | 'mark'> & {
  quote: Schemas['QuoteJson'] | null;
  mark: OrderMark | null;
};
export type PanelPlan = Schemas['PanelJson'];
export type PanelFit = Schemas['PanelFitView'];
/** The plan is null for single boards. */
export type PanelResult = Omit<Schemas['PanelView'], 'plan'> & { plan: PanelPlan | null };
export type Circuit = Schemas['CircuitView'];
export type StripResult = Schemas['StripView'];
export type Touches = Schemas['TouchesView'];
export type TouchLine = Schemas['TouchView'];
export type Mending = Schemas['MendingView'];
/** Null where no copper leads from pad to pad. */
export type Ways = {
  before: Schemas['WayView'] | null;
  after: Schemas['WayView'] | null;
};
export type Shaping = Schemas['ShapingJson'];
export type Kit = Schemas['KitView'];
export type KitStep = Schemas['KitStepView'];
export type Inspection = Schemas['InspectionView'];
export type CheckItem = Schemas['CheckItemView'];
export type Cut = Schemas['Cut'];
export type Under = Schemas['Under'];
export type Snap = Schemas['Snap'];
export type Facts = Schemas['FactsView'];
export type NetLine = Schemas['NetLine'];
/** `of` is what the pictures are asked of, where it is not the job's own changes. */
export type Changes = Schemas['ChangesView'] & { of?: string };
export type CutDifference = Schemas['CutDifferenceView'];
export type Handed = Schemas['Handed'];
export type Quoted = Schemas['QuotedView'];
export type Quote = Schemas['QuoteJson'];
export type Review = Job['reviews'][number];
export type Parcel = Schemas['ParcelView'];
export type Verified = Schemas['VerifiedView'];
/** The quote is null where the desk could not work one out, the parts where it fits none. */
export type DeskReading = Omit<Schemas['DeskReading'], 'quote' | 'parts'> & {
  quote: Schemas['QuoteJson'] | null;
  parts: DeskParts | null;
};
export type DeskLine = Schemas['DeskLine'];
/** The turn is null where a package has no pin 1 in a corner. */
export type DeskPlaced = Omit<Schemas['DeskPlaced'], 'turnDeg'> & { turnDeg: number | null };
export type DeskParts = Omit<Schemas['DeskParts'], 'placed'> & { placed: DeskPlaced[] };
export type DeskOrder = Schemas['DeskOrder'];
/** What the desk read and said is null before it did. */
export type DeskOrderView = Omit<Schemas['DeskOrderView'], 'reading' | 'said'> & {
  reading: DeskReading | null;
  said: DeskOrder | null;
};
/** The job is null where there was none yet. */
export type Broken = Omit<Schemas['BrokenView'], 'job'> & { job: number | null };
export type NamedPlace = Schemas['NamedPlace'];
export type RoomAbove = Schemas['RoomAboveView'];
export type HeightZone = Schemas['HeightZoneView'];
export type Solid = Schemas['SolidView'];
export type TaskState = Schemas['TaskState'];
export type History = Schemas['HistoryView'];
export type Headroom = Schemas['HeadroomJson'];
export type Limits = Schemas['NumbersView'];
export type Shops = Schemas['ShopsView'];
export type SheetWords = Schemas['WordsView'];
export type Current = Schemas['CurrentJson'];
export type CurrentPath = Schemas['PathView'];
export type Pad = Schemas['PadView'];

export type OnMill = Schemas['MillView'];
export type MillSetup = Schemas['MillSetupJson'];
export type MillSets = Schemas['ChoicesView'];
export type MillSet = Schemas['ChoiceView'];
export type MillAreas = Schemas['AreasView'];
export type Heights = Schemas['HeightsView'];
export type Wish = Schemas['Wish'];
export type Rehearsal = Schemas['RehearsalView'];
export type BenchView = Schemas['BenchView'];
export type BenchWish = Partial<Schemas['BenchRequest']> & { wish: string };

/** One number of a sheet's file. */
export interface SheetLimit {
  value: number;
  unit: string;
  source?: string;
  date?: string;
}

/** One tool of a mill's rack in a sheet's file. */
export interface SheetCutter {
  id: string;
  name: string;
  kind: string;
  tip_mm: number;
  angle_deg: number;
  diameter_mm: number;
  flute_mm?: number;
  feed_mm_min: number;
  plunge_mm_min: number;
  spindle_rpm: number;
  depth_per_pass_mm: number;
}

/** The section of a mill in a sheet's file. */
export interface SheetMill {
  rack: SheetCutter[];
  tool_change?: string;
  [other: string]: unknown;
}

/** A capability sheet as its file has it; what the form does not know is kept. */
export interface SheetFile {
  id: string;
  name: string;
  kind: string;
  description?: string;
  max_copper_layers?: number;
  plates?: boolean;
  price?: { currency?: string; setup?: number; per_square_cm?: number; days?: number };
  options?: Record<string, string[]>;
  limits: Record<string, SheetLimit>;
  variations?: { option: string; value: string; limits: Record<string, SheetLimit> }[];
  mill?: SheetMill;
  [other: string]: unknown;
}

export { ApiError };

/** What the application says of an error: the problem details of RFC 9457, and our own members. */
interface Problem {
  detail?: string;
  code?: string;
  version?: number;
  meanwhile?: string;
}

/** Asks; while the answer is computed, or a board is read for it, that is followed and shown. */
async function send(
  path: string,
  init: RequestInit = {},
  reads = (init.method ?? 'GET') === 'GET',
): Promise<Response> {
  let task = '';
  for (;;) {
    const headers = { ...init.headers, Prefer: 'respond-async', ...(task ? { Task: task } : {}) };
    const response = await ask(path, reads ? { ...init, headers } : init);
    if (!reads || response.status !== 202) {
      return response;
    }
    // An answer that is computed is fetched by its task; a board that is read is asked about anew.
    task = response.headers.get('Task') ?? '';
    const state = (await response.json()) as TaskState;
    if (task) {
      await follow(state, () => {});
    } else {
      const { show } = useReading.getState();
      await follow(state, show);
      show(null);
    }
  }
}

async function ask(path: string, init: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiError('The application does not answer. Is it still running?');
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as Problem | null;
    if (problem?.code === 'stale') {
      throw new StaleError(problem.detail ?? '', problem.version ?? 0, problem.meanwhile ?? '');
    }
    throw new ApiError(
      problem?.detail ?? `The application answered with error ${response.status}.`,
    );
  }
  return response;
}

function request(method: string, body?: unknown, version?: number): RequestInit {
  const headers: Record<string, string> = {};
  if (body !== undefined) {
    headers['content-type'] = 'application/json';
  }
  if (version !== undefined) {
    headers['if-match'] = `"${version}"`;
  }
  return { method, headers, ...(body === undefined ? {} : { body: JSON.stringify(body) }) };
}

async function json<T>(path: string, method = 'GET', body?: unknown, version?: number): Promise<T> {
  return (await (await send(path, request(method, body, version))).json()) as T;
}

/** Asks with a body, as what is asked is too long for an address; nothing is changed. */
async function asking<T>(path: string, body?: unknown): Promise<T> {
  return (await (await send(path, request('POST', body), true)).json()) as T;
}

const job = (id: number) => `/api/jobs/${id}`;
const effectPath = (id: number, touch: number | null) =>
  `${job(id)}/touches/effect${touch === null ? '' : `?touch=${touch}`}`;

async function readJob(id: number): Promise<Job> {
  const view = await json<Job>(job(id));
  saw(id, view.version);
  return view;
}

/** A change of a job that answers with the version it made. */
function toVersion(id: number, path: string, method: string, body?: unknown): Promise<void> {
  return changing(id, async (version) => {
    const made = await json<Schemas['VersionView']>(path, method, body, version);
    saw(id, made.version);
  });
}

/** A change of a job that answers with something else; which version it made is asked for. */
function toAnswer<T>(id: number, path: string, method: string, body?: unknown): Promise<T> {
  return changing(id, async (version) => {
    const answer = await json<T>(path, method, body, version);
    saw(id, (await json<History>(`${job(id)}/history`)).version);
    return answer;
  });
}

/** Chooses parts of the ticket, by the names they have in its file. */
const choose = (id: number, parts: Record<string, unknown>): Promise<void> =>
  toVersion(id, `${job(id)}/ticket`, 'PATCH', parts);

/** The names of a value of the ticket as its file has them: in_stock_x_mm for inStockXMm. */
function filed(value: unknown): unknown {
  if (Array.isArray(value)) {
    return value.map(filed);
  }
  if (value === null || typeof value !== 'object') {
    return value;
  }
  return Object.fromEntries(
    Object.entries(value).map(([name, v]) => [
      name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`),
      filed(v),
    ]),
  );
}

export const api = {
  changeJob: (id: number, change: { name?: string; archived?: boolean; deleted?: boolean }) =>
    json<JobLine[]>(job(id), 'PATCH', change),
  /** A whole job from its file; the new job's id. */
  unpackJob: async (file: Blob): Promise<number> =>
    (
      await send('/api/whole', {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: file,
      })
    ).json() as Promise<number>,
  copyJob: (id: number) => json<number>(`${job(id)}/copy`, 'POST'),
  jobs: () => json<JobLine[]>('/api/jobs'),
  job: readJob,
  layer: async (id: number, index: number) =>
    (await send(`${job(id)}/layers/${index}`)).arrayBuffer(),
  sheets: () => json<Sheet[]>('/api/sheets'),
  sheetWords: () => json<SheetWords>('/api/sheets/words'),
  sheetFile: (id: string) => json<SheetFile>(`/api/sheets/${id}.json`),
  keepSheet: (sheet: unknown, replace: boolean) =>
    json<Sheet>(`/api/sheets?replace=${replace}`, 'POST', sheet),
  dropSheet: (id: string) => json<Sheet[]>(`/api/sheets/${id}`, 'DELETE'),
  /** An empty role goes back to what is proposed. */
  setRoles: async (id: number, roles: readonly { path: string; role: string }[]) => {
    await choose(id, { roles: Object.fromEntries(roles.map((r) => [r.path, r.role || null])) });
    return readJob(id);
  },
  /** The columns of a table, with what each was taken for. */
  table: (id: number, path: string) =>
    json<Table>(`${job(id)}/columns?path=${encodeURIComponent(path)}`),
  /** Says what the columns of a table hold; null for what they show themselves. */
  setColumns: async (id: number, path: string, kinds: readonly string[] | null) => {
    await choose(id, { columns: { [path]: kinds } });
    return readJob(id);
  },
  /** Says how large the tools of a drill file are, in mm; null for what its pads propose. */
  setToolSizes: async (
    id: number,
    path: string,
    sizes: Readonly<Record<string, number>> | null,
  ) => {
    await choose(id, { tool_sizes: { [path]: sizes } });
    return readJob(id);
  },
  /** What choosing parts of the ticket would change of the board; nothing is kept. */
  answerEffect: (id: number, parts: Record<string, unknown>) =>
    asking<Schemas['AnswerEffectView']>(`${job(id)}/answers/effect`, parts),
  roomAbove: (id: number) => json<RoomAbove>(`${job(id)}/heights`),
  zoneDrawing: (id: number, path: string) =>
    json<Schemas['ZoneDrawingView']>(`${job(id)}/heights/drawing?${new URLSearchParams({ path })}`),
  /** Chooses the room above the board, whole. */
  chooseHeights: (
    id: number,
    zones: readonly Omit<HeightZone, 'tooHigh'>[],
    unshaded: Readonly<Record<string, number>>,
  ) =>
    choose(id, {
      heights: {
        zones: zones.map((z) => ({
          name: z.name,
          side: z.side,
          at_most_mm: z.atMostMm,
          ...(z.area.length > 0 ? { area: z.area } : {}),
        })),
        unshaded,
      },
    }),
  pictureAddress: (
    id: number,
    path: string,
    beside: readonly string[],
    width: number,
    height: number,
  ) =>
    `${job(id)}/picture?${new URLSearchParams([
      ['path', path],
      ...beside.map((b) => ['beside', b]),
      ['width', String(width)],
      ['height', String(height)],
    ])}`,
  correct: async (id: number, path: string, apply: boolean) => {
    await toVersion(id, `${job(id)}/correction`, 'PUT', { path, apply });
    return readJob(id);
  },
  setFormat: async (id: number, path: string, format: string) => {
    await choose(id, { formats: { [path]: format } });
    return readJob(id);
  },
  setUnit: async (id: number, path: string, unitNm: number) => {
    await choose(id, { units_nm: { [path]: unitNm } });
    return readJob(id);
  },
  facts: (id: number) => json<Facts>(`${job(id)}/facts`),
  nets: (id: number) => json<NetLine[]>(`${job(id)}/nets`),
  changes: (id: number) => json<Changes>(`${job(id)}/changes`),
  changed: async (id: number, index: number, which: 'added' | 'removed', of = '') =>
    (await send(`${job(id)}/${of === '' ? '' : `${of}/`}changes/${index}/${which}`)).arrayBuffer(),
  cutDifference: (id: number, before: number, after: number) =>
    json<CutDifference>(`${job(id)}/cuts/${before}/to/${after}`),
  handed: (id: number) => json<Handed[]>(`${job(id)}/handed`),
  hand: (id: number, cut: number, to: string, note: string) =>
    json<Handed[]>(`${job(id)}/cuts/${cut}/handed`, 'POST', { to, note }),
  /** A zip from anywhere against the manifest in it. */
  verify: async (zip: Blob): Promise<Verified> =>
    (
      await send('/api/verify', {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: zip,
      })
    ).json() as Promise<Verified>,
  named: (id: number) => json<NamedPlace[]>(`${job(id)}/named`),
  gap: (
    id: number,
    from: { x: number; y: number },
    to: { x: number; y: number },
    roles: string[],
  ) =>
    json<Schemas['Gap']>(
      `${job(id)}/gap?x0=${from.x}&y0=${from.y}&x1=${to.x}&y1=${to.y}&roles=${roles.join(',')}`,
    ),
  solid: (id: number) => json<Solid>(`${job(id)}/solid`),
  surface: async (id: number) => (await send(`${job(id)}/solid/board`)).arrayBuffer(),
  printAddress: (
    id: number,
    layers: { role: string; ink: string }[],
    composed: boolean,
    mirrored: boolean,
  ) =>
    `${job(id)}/print?roles=${layers.map((l) => l.role).join(',')}` +
    `&inks=${layers.map((l) => l.ink.replace('#', '')).join(',')}` +
    `&composed=${composed}&mirrored=${mirrored}`,
  setShop: async (id: number, shop: string) => {
    await choose(id, { shop });
    return readJob(id);
  },
  setHeadroom: async (id: number, headroom: Headroom) => {
    await choose(id, { headroom });
    return readJob(id);
  },
  limits: (id: number) => json<Limits>(`${job(id)}/limits`),
  setOrder: async (id: number, order: Record<string, string>, quantity?: number) => {
    await choose(id, { order: quantity === undefined ? order : { ...order, quantity } });
    return json<Limits>(`${job(id)}/limits`);
  },
  /** Options with where the order mark goes. */
  setMark: (id: number, order: Record<string, string>, mark: OrderMark) =>
    choose(id, { order: { ...order, mark: filed(mark) } }),
  /** Where there is room for an order mark; null where there is none. */
  freeMark: (id: number) => json<OrderMark | null>(`${job(id)}/order/mark`),
  shops: (id: number) => json<Shops>(`${job(id)}/shops`),
  /** What the order costs at each shop. */
  quotes: (id: number) => json<Quoted[]>(`${job(id)}/quotes`),
  currents: (id: number) => json<Current[]>(`${job(id)}/currents`),
  /** Every current of the board: those there are no more are left out. */
  setCurrents: async (id: number, currents: readonly Current[]) => {
    await choose(id, { currents: filed(currents) });
    return json<Current[]>(`${job(id)}/currents`);
  },
  pads: (id: number, net: string) => json<Pad[]>(`${job(id)}/pads?net=${encodeURIComponent(net)}`),
  path: (id: number, current: Current) => asking<CurrentPath>(`${job(id)}/path`, current),
  check: (id: number) => json<Check>(`${job(id)}/check`),
  signOff: (id: number, findings: string[], by: string, reason: string) =>
    toAnswer<Check>(id, `${job(id)}/sign-offs`, 'POST', { findings, by, reason }),
  takeBack: (id: number, finding: string) =>
    toAnswer<Check>(id, `${job(id)}/sign-offs/${finding}`, 'DELETE'),
  outputs: (id: number) => json<Outputs>(`${job(id)}/outputs`),
  paths: (id: number, index: number) => json<Paths>(`${job(id)}/outputs/paths/${index}`),
  parts: (id: number) => json<Parts>(`${job(id)}/parts`),
  /** Asks the parts counter anew, in the background. */
  askCounter: (id: number) => json<TaskState>(`${job(id)}/parts/ask`, 'POST'),
  /** Where the parts are bought that the shop does not bring, by what matters. */
  baskets: (id: number, aim: string) =>
    json<Schemas['BasketsView']>(`${job(id)}/baskets?${new URLSearchParams({ aim })}`),
  askSellers: (id: number) => json<TaskState>(`${job(id)}/baskets/ask`, 'POST'),
  basketTable: (id: number, aim: string, seller: string) =>
    `${job(id)}/baskets/basket.csv?${new URLSearchParams({ aim, seller })}`,
  candidates: (id: number, designator: string, words: string) =>
    json<Candidates>(`${job(id)}/parts/candidates?${new URLSearchParams({ designator, words })}`),
  searchCounter: (id: number, words: string) =>
    json<TaskState>(`${job(id)}/parts/search?${new URLSearchParams({ words })}`, 'POST'),
  /** Chooses for designators in some variants, '' being the base; {} is as listed again. */
  chooseParts: (id: number, variants: readonly string[], fittings: Record<string, Fitting>) =>
    toVersion(id, `${job(id)}/parts/fittings`, 'POST', { variants, fittings }),
  addVariant: (id: number, name: string, like: string | null) =>
    toVersion(id, `${job(id)}/parts/variants`, 'POST', { name, like }),
  dropVariant: (id: number, name: string) =>
    toVersion(id, `${job(id)}/parts/variants?name=${encodeURIComponent(name)}`, 'DELETE'),
  buildVariant: (id: number, variant: string | null) => choose(id, { variant }),
  sayNeeds: (id: number, designator: string, needs: readonly string[]) =>
    toVersion(id, `${job(id)}/parts/needs`, 'POST', { designator, needs }),
  refreshParts: (id: number) => toVersion(id, `${job(id)}/parts/refresh`, 'POST'),
  stencil: (id: number) => json<StencilResult>(`${job(id)}/stencil`),
  /** The whole plan, by the names of the ticket; {} is as drawn. */
  setStencil: (id: number, plan: Record<string, unknown>) => choose(id, { stencil: plan }),
  order: (id: number) => json<OrderResult>(`${job(id)}/order`),
  panel: (id: number) => json<PanelResult>(`${job(id)}/panel`),
  /** The whole plan, by the names of the ticket; null for single boards. */
  setPanel: (id: number, plan: Record<string, unknown> | null) => choose(id, { panel: plan }),
  touches: (id: number) => json<Touches>(`${job(id)}/touches`),
  /** The whole list, each touch as the ticket has it. */
  setTouches: (id: number, touches: readonly Record<string, unknown>[]) =>
    choose(id, { touches: touches.length > 0 ? touches : null }),
  mending: (id: number) => json<Mending>(`${job(id)}/touches/mending`),
  /** What one touch does to the findings, or, for null, all of them. */
  touchEffect: (id: number, touch: number | null) =>
    json<Schemas['EffectView']>(effectPath(id, touch)),
  lookForEffect: (id: number, touch: number | null) =>
    json<TaskState>(effectPath(id, touch), 'POST'),
  touchCurrent: (id: number, touch: number, net: string) =>
    json<Ways>(`${job(id)}/touches/current?touch=${touch}&net=${encodeURIComponent(net)}`),
  touchChanges: async (id: number): Promise<Changes> => ({
    ...(await json<Changes>(`${job(id)}/touches/changes`)),
    of: 'touches',
  }),
  layerBefore: async (id: number, index: number) =>
    (await send(`${job(id)}/touches/before/${index}`)).arrayBuffer(),
  placement: (id: number) => json<Placement>(`${job(id)}/placement`),
  kindSheet: (id: number, footprint: string, side: string) =>
    json<KindSheet>(
      `${job(id)}/placement/sheet?footprint=${encodeURIComponent(footprint)}&side=${side}`,
    ),
  /** Turns all parts of a package, or one part; 0 takes it back. */
  turn: (id: number, of: { packageName: string } | { designator: string }, degrees: number) =>
    toVersion(id, `${job(id)}/placement/turn`, 'POST', { ...of, degrees }),
  /** Several turns as one choice, undone as one. */
  turns: (
    id: number,
    turns: readonly (({ packageName: string } | { designator: string }) & { degrees: number })[],
  ) => toVersion(id, `${job(id)}/placement/turns`, 'POST', turns),
  byHand: (
    id: number,
    of: { packageName: string } | { designators: readonly string[] } | { side: string },
    hand: boolean | null,
  ) => toVersion(id, `${job(id)}/placement/hand`, 'POST', { ...of, hand }),
  /** Tells which pin of a footprint is the cathode or the plus; null takes it back. */
  tellPolarity: (id: number, footprint: string, pin: string | null) =>
    toVersion(id, `${job(id)}/placement/polarity`, 'POST', { footprint, pin }),
  lookedAt: (id: number, footprint: string, side: string, looked: boolean) =>
    toVersion(id, `${job(id)}/placement/looked`, 'POST', { footprint, side, looked }),
  kit: (id: number) => json<Kit>(`${job(id)}/kit`),
  /** Ticks parts of the guide on one board of the batch, or on all of them. */
  tick: (id: number, designators: readonly string[], done: boolean, board: number | null) =>
    json<Kit>(`${job(id)}/kit/done`, 'POST', { designators, done, board }),
  /** The order of the guide; an empty one takes it back to the proposed one. */
  guideOrder: (id: number, lines: readonly { solder?: string; own?: string }[]) =>
    toVersion(id, `${job(id)}/kit/guide`, 'POST', { lines }),
  kitPicture: (id: number, designator: string) =>
    `${job(id)}/kit/picture?designator=${encodeURIComponent(designator)}`,
  putKitPicture: async (id: number, designator: string, file: File) =>
    (await (
      await send(api.kitPicture(id, designator), {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: file,
      })
    ).json()) as Kit,
  dropKitPicture: (id: number, designator: string) =>
    json<Kit>(api.kitPicture(id, designator), 'DELETE'),
  noteTo: (id: number, designator: string, note: string) =>
    toVersion(id, `${job(id)}/kit/note`, 'POST', { designator, note }),
  inspection: (id: number, cut: number) => json<Inspection>(`${job(id)}/cuts/${cut}/inspection`),
  found: (
    id: number,
    cut: number,
    found: { item: string; measured?: number | null; good?: boolean; note: string },
  ) => json<Inspection>(`${job(id)}/cuts/${cut}/inspection`, 'POST', found),
  /** Where a photograph lies, of places clicked in it. */
  fitPhoto: (id: number, pairs: { photoX: number; photoY: number; x: number; y: number }[]) =>
    json<Schemas['FitView']>(`${job(id)}/photo-fit`, 'POST', { pairs }),
  setQuantity: (id: number, quantity: number) => choose(id, { order: { quantity } }),
  orders: (id: number) => json<DeskOrderView[]>(`${job(id)}/orders`),
  /** Sends a cut to the desk; nothing is ordered by it. */
  sendCut: (id: number, cut: number) => json<TaskState>(`${job(id)}/cuts/${cut}/order`, 'POST'),
  placeOrder: (order: number, by: string, note: string) =>
    json<TaskState>(`/api/orders/${order}/place`, 'POST', { by, note }),
  answerDesk: (order: number, question: string, answer: string) =>
    json<DeskOrderView>(`/api/orders/${order}/answers`, 'POST', { question, answer }),
  withdraw: (order: number) => json<DeskOrderView>(`/api/orders/${order}`, 'DELETE'),
  deskPicture: (order: number, name: string) => `/api/orders/${order}/pictures/${name}`,
  brokenOff: () => json<Broken[]>('/api/broken-off'),
  readBroken: (id: number) => json<Broken[]>(`/api/broken-off/${id}`, 'DELETE'),
  /** Signs off what was looked at before the cut; without a name the sign-off is taken back. */
  review: (id: number, some: readonly Review[], by: string | null) =>
    choose(id, {
      reviewed: Object.fromEntries(some.map((r) => [r.subject, by ? { by, of: r.of } : null])),
    }),
  parcels: (id: number, cut: number) => json<Parcel[]>(`${job(id)}/cuts/${cut}/parcels`),
  cuts: (id: number) => json<Cut[]>(`${job(id)}/cuts`),
  under: (id: number, x: number, y: number, roles: string[]) =>
    json<Under[]>(`${job(id)}/under?x=${x}&y=${y}&roles=${roles.join(',')}`),
  snap: (id: number, x: number, y: number, reach: number, roles: string[]) =>
    json<Snap>(`${job(id)}/snap?x=${x}&y=${y}&reach=${reach}&roles=${roles.join(',')}`),
  work: (id: number, what: 'check' | 'shops' | 'outputs' | 'cut') =>
    json<TaskState>(`${job(id)}/work/${what}`, 'POST'),
  mill: (id: number) => json<OnMill>(`${job(id)}/mill`),
  setMill: async (id: number, mill: MillSetup) => {
    await choose(id, { mill: filed(mill) });
    return json<OnMill>(`${job(id)}/mill`);
  },
  circuit: (id: number) => json<Circuit>(`${job(id)}/strip/circuit`),
  strip: (id: number) => json<StripResult>(`${job(id)}/strip`),
  /** What is chosen about the strip board, by the names of the ticket. */
  setStrip: (id: number, strip: Record<string, unknown>) => choose(id, { strip }),
  /** Lets the computer lay it out; parts that are kept stay where they are. */
  proposeStrip: (id: number, keep: 'locked' | 'placed') =>
    json<TaskState>(`${job(id)}/strip/proposal`, 'POST', { keep }),
  enoughStrip: async (id: number) => {
    await send(`${job(id)}/strip/proposal/enough`, { method: 'POST' });
  },
  /** The pack of an adapter board, as a zip. */
  adapter: async (form: Record<string, string>) =>
    (await send(`/api/adapter.zip?${new URLSearchParams(form)}`)).blob(),
  usualMill: (id: number) => json<MillSetup>(`${job(id)}/mill/usual`),
  millSets: (id: number) => json<MillSets>(`${job(id)}/mill/sets`),
  compareSets: (id: number) => json<TaskState>(`${job(id)}/mill/sets`, 'POST'),
  millAreas: (id: number, side: string, tools: string[]) =>
    asking<MillAreas>(`${job(id)}/mill/areas/${side}`, tools),
  heights: (id: number, side: string) => json<Heights>(`${job(id)}/mill/heights/${side}`),
  keepHeights: (id: number, side: string, text: string) =>
    toAnswer<Heights>(id, `${job(id)}/mill/heights/${side}`, 'PUT', { text }),
  dropHeights: (id: number, side: string) =>
    toAnswer<Heights>(id, `${job(id)}/mill/heights/${side}`, 'DELETE'),
  rehearse: (id: number, wish: Wish) => json<TaskState>(`${job(id)}/mill/rehearsal`, 'POST', wish),
  rehearsal: (id: number, wish: Wish) =>
    asking<Rehearsal>(`${job(id)}/mill/rehearsal/result`, wish),
  bench: (id: number) => json<BenchView>(`${job(id)}/mill/bench`),
  onBench: (id: number, wish: BenchWish) => json<BenchView>(`${job(id)}/mill/bench`, 'POST', wish),
  /** Takes what was probed over into the ticket. */
  keepProbed: (id: number) =>
    toAnswer<BenchView>(id, `${job(id)}/mill/bench`, 'POST', { wish: 'keep' }),
  benchTrail: (id: number, from: number) =>
    json<Schemas['TrailView']>(`${job(id)}/mill/bench/trail?from=${from}`),
  benchLook: (id: number) => asking<Rehearsal>(`${job(id)}/mill/bench/look`),
  history: (id: number) => json<History>(`${job(id)}/history`),
  goToVersion: (id: number, version: number) =>
    toVersion(id, `${job(id)}/versions/${version}`, 'POST'),
  /** Takes a whole ticket in, all or nothing. */
  takeTicket: (id: number, text: string) =>
    changing(id, async (version) => {
      const init = request('POST', undefined, version);
      init.headers = { ...init.headers, 'content-type': 'application/json' };
      init.body = text;
      return (await (await send(`${job(id)}/ticket`, init)).json()) as TaskState;
    }),
  cancel: (task: string) => json<TaskState>(`/api/tasks/${task}`, 'DELETE'),
  /** Brings files in as a new job, or as the next revision of one. */
  bringIn: async (files: { path: string; file: File }[], again: number | null) => {
    const form = new FormData();
    files.forEach((f) => form.append('files', f.file, f.path));
    const path = again === null ? '/api/jobs' : `${job(again)}/revisions`;
    return (await (await send(path, { method: 'POST', body: form })).json()) as TaskState;
  },
};

import type { components } from './schema';

type Schemas = components['schemas'];
export type Job = Schemas['JobView'];
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
export type Cut = Schemas['Cut'];
export type Under = Schemas['Under'];
export type Snap = Schemas['Snap'];
export type Facts = Schemas['FactsView'];
export type NetLine = Schemas['NetLine'];
export type Changes = Schemas['ChangesView'];
export type NamedPlace = Schemas['NamedPlace'];
export type Solid = Schemas['SolidView'];
export type TaskState = Schemas['TaskState'];
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

/** What the server said went wrong, as a sentence for people. */
export class ApiError extends Error {}

async function send(path: string, init?: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiError('The application does not answer. Is it still running?');
  }
  if (!response.ok) {
    const body = (await response.json().catch(() => null)) as { message?: string } | null;
    throw new ApiError(body?.message ?? `The application answered with error ${response.status}.`);
  }
  return response;
}

async function json<T>(path: string, method = 'GET', body?: unknown): Promise<T> {
  const init: RequestInit = { method };
  if (body !== undefined) {
    init.body = JSON.stringify(body);
    init.headers = { 'content-type': 'application/json' };
  }
  return (await (await send(path, init)).json()) as T;
}

const job = (id: number) => `/api/jobs/${id}`;

export const api = {
  jobs: () => json<JobLine[]>('/api/jobs'),
  job: (id: number) => json<Job>(job(id)),
  layer: async (id: number, index: number) =>
    (await send(`${job(id)}/layers/${index}`)).arrayBuffer(),
  sheets: () => json<Sheet[]>('/api/sheets'),
  sheetWords: () => json<SheetWords>('/api/sheets/words'),
  sheetFile: (id: string) => json<SheetFile>(`/api/sheets/${id}.json`),
  keepSheet: (sheet: unknown, replace: boolean) =>
    json<Sheet>(`/api/sheets?replace=${replace}`, 'POST', sheet),
  dropSheet: (id: string) => json<Sheet[]>(`/api/sheets/${id}`, 'DELETE'),
  /** An empty role goes back to what is proposed. */
  setRoles: (id: number, roles: readonly { path: string; role: string }[]) =>
    json<Job>(`${job(id)}/roles`, 'PUT', roles),
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
  correct: (id: number, path: string, apply: boolean) =>
    json<Job>(`${job(id)}/correction`, 'PUT', { path, apply }),
  setNumbers: (id: number, path: string, format: string, unitNm: number) =>
    json<Job>(`${job(id)}/numbers`, 'PUT', { path, format, unitNm }),
  facts: (id: number) => json<Facts>(`${job(id)}/facts`),
  nets: (id: number) => json<NetLine[]>(`${job(id)}/nets`),
  changes: (id: number) => json<Changes>(`${job(id)}/changes`),
  changed: async (id: number, index: number, which: 'added' | 'removed') =>
    (await send(`${job(id)}/changes/${index}/${which}`)).arrayBuffer(),
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
  setShop: (id: number, sheetId: string, headroom: Headroom) =>
    json<Job>(`${job(id)}/shop`, 'PUT', { sheetId, headroom }),
  limits: (id: number) => json<Limits>(`${job(id)}/limits`),
  setOrder: (id: number, chosen: Record<string, string>) =>
    json<Limits>(`${job(id)}/order`, 'PUT', { chosen }),
  shops: (id: number) => json<Shops>(`${job(id)}/shops`),
  currents: (id: number) => json<Current[]>(`${job(id)}/currents`),
  giveCurrent: (id: number, current: Current) =>
    json<Current[]>(`${job(id)}/currents`, 'PUT', current),
  takeCurrent: (id: number, net: string) =>
    json<Current[]>(`${job(id)}/currents?net=${encodeURIComponent(net)}`, 'DELETE'),
  pads: (id: number, net: string) => json<Pad[]>(`${job(id)}/pads?net=${encodeURIComponent(net)}`),
  path: (id: number, current: Current) => json<CurrentPath>(`${job(id)}/path`, 'POST', current),
  check: (id: number) => json<Check>(`${job(id)}/check`),
  signOff: (id: number, findings: string[], by: string, reason: string) =>
    json<Check>(`${job(id)}/sign-offs`, 'POST', { findings, by, reason }),
  takeBack: (id: number, finding: string) =>
    json<Check>(`${job(id)}/sign-offs/${finding}`, 'DELETE'),
  outputs: (id: number) => json<Outputs>(`${job(id)}/outputs`),
  paths: (id: number, index: number) => json<Paths>(`${job(id)}/outputs/paths/${index}`),
  parts: (id: number) => json<Parts>(`${job(id)}/parts`),
  cuts: (id: number) => json<Cut[]>(`${job(id)}/cuts`),
  under: (id: number, x: number, y: number, roles: string[]) =>
    json<Under[]>(`${job(id)}/under?x=${x}&y=${y}&roles=${roles.join(',')}`),
  snap: (id: number, x: number, y: number, reach: number, roles: string[]) =>
    json<Snap>(`${job(id)}/snap?x=${x}&y=${y}&reach=${reach}&roles=${roles.join(',')}`),
  work: (id: number, what: 'check' | 'shops' | 'outputs' | 'cut') =>
    json<TaskState>(`${job(id)}/work/${what}`, 'POST'),
  mill: (id: number) => json<OnMill>(`${job(id)}/mill`),
  setMill: (id: number, setup: MillSetup) => json<OnMill>(`${job(id)}/mill/setup`, 'PUT', setup),
  usualMill: (id: number) => json<MillSetup>(`${job(id)}/mill/usual`),
  millSets: (id: number) => json<MillSets>(`${job(id)}/mill/sets`),
  compareSets: (id: number) => json<TaskState>(`${job(id)}/mill/sets`, 'POST'),
  millAreas: (id: number, side: string, tools: string[]) =>
    json<MillAreas>(`${job(id)}/mill/areas/${side}`, 'POST', tools),
  heights: (id: number, side: string) => json<Heights>(`${job(id)}/mill/heights/${side}`),
  keepHeights: (id: number, side: string, text: string) =>
    json<Heights>(`${job(id)}/mill/heights/${side}`, 'PUT', { text }),
  dropHeights: (id: number, side: string) =>
    json<Heights>(`${job(id)}/mill/heights/${side}`, 'DELETE'),
  rehearse: (id: number, wish: Wish) => json<TaskState>(`${job(id)}/mill/rehearsal`, 'POST', wish),
  rehearsal: (id: number, wish: Wish) =>
    json<Rehearsal>(`${job(id)}/mill/rehearsal/result`, 'POST', wish),
  bench: (id: number) => json<BenchView>(`${job(id)}/mill/bench`),
  onBench: (id: number, wish: BenchWish) => json<BenchView>(`${job(id)}/mill/bench`, 'POST', wish),
  benchTrail: (id: number, from: number) =>
    json<Schemas['TrailView']>(`${job(id)}/mill/bench/trail?from=${from}`),
  benchLook: (id: number) => json<Rehearsal>(`${job(id)}/mill/bench/look`, 'POST'),
  cancel: (task: string) => json<TaskState>(`/api/tasks/${task}`, 'DELETE'),
  /** Brings files in as a new job, or as the next revision of one. */
  bringIn: async (files: { path: string; file: File }[], again: number | null) => {
    const form = new FormData();
    files.forEach((f) => form.append('files', f.file, f.path));
    const path = again === null ? '/api/jobs' : `${job(again)}/revisions`;
    return (await (await send(path, { method: 'POST', body: form })).json()) as TaskState;
  },
};

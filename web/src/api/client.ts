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
export type TaskState = Schemas['TaskState'];
export type Headroom = Schemas['HeadroomJson'];

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
  setRole: (id: number, path: string, role: string) =>
    json<Job>(`${job(id)}/role`, 'PUT', { path, role }),
  setShop: (id: number, sheetId: string, headroom: Headroom) =>
    json<Job>(`${job(id)}/shop`, 'PUT', { sheetId, headroom }),
  check: (id: number) => json<Check>(`${job(id)}/check`),
  signOff: (id: number, finding: string, by: string, reason: string) =>
    json<Check>(`${job(id)}/sign-offs/${finding}`, 'PUT', { by, reason }),
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
  work: (id: number, what: 'check' | 'outputs' | 'cut') =>
    json<TaskState>(`${job(id)}/work/${what}`, 'POST'),
  cancel: (task: string) => json<TaskState>(`/api/tasks/${task}`, 'DELETE'),
  bringIn: async (files: { path: string; file: File }[]) => {
    const form = new FormData();
    files.forEach((f) => form.append('files', f.file, f.path));
    return (await (await send('/api/jobs', { method: 'POST', body: form })).json()) as TaskState;
  },
};

import { ApiError, StaleError } from '../api/errors';
import { useStale } from './stale';

/** The version of each job's ticket that this window saw last. */
const seen = new Map<number, number>();

/** Changes of this window go one after the other, each on what the one before made. */
let turn: Promise<unknown> = Promise.resolve();

export function saw(job: number, version: number): void {
  seen.set(job, version);
}

/** Whether a version is one this window knows, once its own changes are through. */
export async function isNews(job: number, version: number): Promise<boolean> {
  await turn.catch(() => undefined);
  return seen.get(job) !== version;
}

/**
 * Makes a change on the version this window saw. Where another window was faster, the user is shown
 * what happened meanwhile and says whether to make it all the same.
 *
 * @param send makes the change on a version
 */
export function changing<T>(
  job: number,
  send: (version: number | undefined) => Promise<T>,
): Promise<T> {
  const mine = turn.catch(() => undefined).then(() => attempt(job, send));
  turn = mine;
  return mine;
}

async function attempt<T>(
  job: number,
  send: (version: number | undefined) => Promise<T>,
): Promise<T> {
  try {
    return await send(seen.get(job));
  } catch (e) {
    if (!(e instanceof StaleError)) {
      throw e;
    }
    const again = await useStale.getState().ask(e.meanwhile);
    seen.set(job, e.version);
    if (!again) {
      throw new ApiError('Your change was left out: the job stays as the other window made it.');
    }
    return attempt(job, send);
  }
}

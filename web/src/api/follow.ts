import { ApiError } from './errors';
import type { components } from './schema';

type TaskState = components['schemas']['TaskState'];

/** How long to wait before the connection is looked for again: longer each time, ms. */
const AGAIN_MS = [250, 500, 1000, 2000, 4000, 8000];

/**
 * Follows a task through its stream of changes until it is over. A stream that is lost is taken up
 * again: the work goes on meanwhile, and its state is asked for.
 */
export async function follow(
  task: TaskState,
  onChange: (state: TaskState) => void,
): Promise<TaskState> {
  let heard = 0;
  const changed = (state: TaskState) => {
    heard = 0;
    onChange(state);
  };
  for (;;) {
    const over = await listen(task.id, changed);
    if (over) {
      return over;
    }
    const wait = AGAIN_MS[heard++];
    if (wait === undefined) {
      throw new ApiError(
        'The application does not answer. Whether this was done is not known: look again when it does.',
      );
    }
    await new Promise((resolve) => setTimeout(resolve, wait));
    const state = await ask(task.id);
    if (state) {
      changed(state);
      if (state.status !== 'RUNNING') {
        return state;
      }
    }
  }
}

/** Listens until the task is over; null when the stream was lost before. */
function listen(id: string, onChange: (state: TaskState) => void): Promise<TaskState | null> {
  return new Promise((resolve) => {
    const events = new EventSource(`/api/tasks/${id}/events`);
    events.onmessage = (e: MessageEvent<string>) => {
      const state = JSON.parse(e.data) as TaskState;
      onChange(state);
      if (state.status !== 'RUNNING') {
        events.close();
        resolve(state);
      }
    };
    events.onerror = () => {
      events.close();
      resolve(null);
    };
  });
}

/** The task's state; null while the application does not answer. */
async function ask(id: string): Promise<TaskState | null> {
  const response = await fetch(`/api/tasks/${id}`).catch(() => null);
  if (response?.status === 404) {
    throw new ApiError('The application was started anew, and this ended with it. Do it again.');
  }
  return response?.ok ? ((await response.json()) as TaskState) : null;
}

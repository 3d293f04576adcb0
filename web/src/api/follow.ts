import { ApiError } from './errors';
import type { components } from './schema';

type TaskState = components['schemas']['TaskState'];

/** Follows a task through its stream of changes until it is over. */
export function follow(task: TaskState, onChange: (state: TaskState) => void): Promise<TaskState> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(`/api/tasks/${task.id}/events`);
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
      reject(new ApiError('The connection was lost while this was being worked on.'));
    };
  });
}

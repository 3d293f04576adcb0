import { Progress } from 'radix-ui';
import type { Work } from '../api/tasks';
import { Button } from './Button';

/** What is being worked on, how far, with a way to stop it; or what went wrong. */
export function Working({ work }: { work: Work }) {
  if (work.error) {
    return (
      <div role="alert" className="border-stop bg-card mt-3 rounded border-l-4 p-3">
        <p className="text-stop font-semibold">That did not work</p>
        <p className="mt-1 break-words">{work.error}</p>
        <Button className="mt-2" onClick={work.clearError}>
          Close
        </Button>
      </div>
    );
  }
  if (!work.state) {
    return null;
  }
  const { done, of, step } = work.state;
  return (
    <div role="status" className="border-edge bg-card mt-3 rounded border p-3">
      <div className="mb-1.5 flex items-center justify-between gap-2">
        <span className="truncate">{step}</span>
        <span className="num">
          {done}/{of}
        </span>
      </div>
      <Progress.Root
        aria-label="How far it is"
        value={done}
        max={Math.max(1, of)}
        className="bg-edge h-1.5 overflow-hidden rounded"
      >
        <Progress.Indicator
          className="bg-petrol h-full transition-all"
          style={{ width: `${(100 * done) / Math.max(1, of)}%` }}
        />
      </Progress.Root>
      <Button className="mt-2" onClick={work.cancel}>
        Cancel
      </Button>
    </div>
  );
}

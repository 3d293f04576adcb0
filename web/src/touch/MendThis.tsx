import type { Job } from '../api/client';
import { go } from '../router';
import { Button } from '../ui/Button';
import { useTouch } from './scene';
import { useMending } from './useMending';
import { useTouches } from './useTouches';

/** The touch that mends one finding, with what it does; it is then looked at where touches are. */
export function MendThis({ job, finding }: { job: Job; finding: string }) {
  const mending = useMending(job);
  const touches = useTouches(job);
  const offer = mending.data?.offers.find((o) => o.findings.includes(finding));
  if (!offer || !touches.data) {
    return null;
  }
  const index = touches.data.touches.length;
  const beside = offer.findings.length - 1;
  return (
    <span className="block w-full">
      <Button
        disabled={touches.busy}
        onClick={() =>
          touches.add([offer.touch], () => {
            go({ job: job.id, station: 'touch-up' });
            useTouch.getState().show({ chosen: index });
          })
        }
      >
        {touches.busy ? 'Doing it …' : offer.label}
      </Button>
      <span className="text-faint ml-2 text-[13px]">
        {offer.words}
        {beside > 0 ? `; mends ${beside} more` : ''}
      </span>
      {touches.error ? (
        <span role="alert" className="text-stop block">
          {touches.error}
        </span>
      ) : null}
    </span>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';

/** What a touch does for the current of its net, where it asks for that. */
export function ForCurrent({ job, touch, net }: { job: Job; touch: number; net: string }) {
  const [wanted, setWanted] = useState(false);
  const ways = useQuery({
    queryKey: ['ways', job.id, job.stamp, touch, net],
    queryFn: () => api.touchCurrent(job.id, touch, net),
    enabled: wanted,
  });
  if (!wanted) {
    return (
      <Button look="quiet" className="px-1 text-[13px] underline" onClick={() => setWanted(true)}>
        what it does for the current of {net}
      </Button>
    );
  }
  if (ways.isPending) {
    return <p className="text-faint text-[13px]">Solving the copper of {net} …</p>;
  }
  const { before, after } = ways.data ?? {};
  if (!before || !after) {
    return (
      <p className="text-[13px]">
        No copper leads between the farthest pads of {net}
        {after ? ' without it; with it ' + words(after) : ''}.
      </p>
    );
  }
  return (
    <p data-ways className="text-[13px]">
      {net}, farthest pads: <span className="num">{words(before)}</span> →{' '}
      <b className="num font-semibold">{words(after)}</b>{' '}
      <span className="text-faint">(narrowest section, 20 K warmer)</span>
    </p>
  );
}

const words = (w: { milliohm: number; amps: number }) =>
  `${w.milliohm.toFixed(2)} mΩ, ${w.amps.toFixed(2)} A`;

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';

type FileView = Job['files'][number];

/** What would bring a file into place, and the way back. */
export function Place({ job, file }: { job: Job; file: FileView }) {
  const queries = useQueryClient();
  const correct = useMutation({
    mutationFn: (apply: boolean) => api.correct(job.id, file.path, apply),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  if (!file.suggested && !file.applied) {
    return null;
  }
  return (
    <div className="border-look/60 mt-1 border-l-2 pl-2 text-[13px]">
      {file.suggested ? (
        <p>
          <b className="text-look font-semibold">Does not lie on the others.</b> It would when{' '}
          {file.suggested}.{' '}
          <Button className="py-0" onClick={() => correct.mutate(true)}>
            Put it right
          </Button>
        </p>
      ) : null}
      {file.applied ? (
        <p>
          Put right by you: {file.applied}.{' '}
          <Button look="quiet" className="py-0 underline" onClick={() => correct.mutate(false)}>
            undo
          </Button>
        </p>
      ) : null}
      {correct.error ? <p className="text-stop">{correct.error.message}</p> : null}
    </div>
  );
}

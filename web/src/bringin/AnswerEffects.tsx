import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job } from '../api/client';

/** An answer that can be given: what it is called, and the parts of the ticket it would set. */
export interface Possible {
  title: string;
  parts: Record<string, unknown>;
}

/** What roles given to files set in the ticket. */
export function rolesPart(answers: readonly { path: string; role: string }[]) {
  return { roles: Object.fromEntries(answers.map((a) => [a.path, a.role || null])) };
}

function One({ job, answer }: { job: Job; answer: Possible }) {
  const effect = useQuery({
    queryKey: ['answer', job.id, job.version, JSON.stringify(answer.parts)],
    queryFn: () => api.answerEffect(job.id, answer.parts),
    retry: false,
    staleTime: Infinity,
  });
  return (
    <li className="mb-1.5">
      <span className="font-semibold">{answer.title}</span>
      {effect.error ? (
        <p role="alert" className="text-stop">
          {effect.error.message}
        </p>
      ) : effect.data ? (
        <ul className="list-disc pl-4">
          {effect.data.says.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      ) : (
        <p className="text-faint" aria-busy="true">
          Reading the pack with this answer …
        </p>
      )}
    </li>
  );
}

/** What each answer to a question would change, found by reading the pack with it. */
export function AnswerEffects({
  job,
  answers,
  open: proposed,
}: {
  job: Job;
  answers: readonly Possible[];
  /** Whether it is shown until someone opens or closes it. */
  open: boolean;
}) {
  const [chosen, setChosen] = useState<boolean>();
  const open = chosen ?? proposed;
  return (
    <details
      open={open}
      onToggle={(e) => {
        if (e.currentTarget.open !== open) {
          setChosen(e.currentTarget.open);
        }
      }}
      className="border-edge mt-2 border-t pt-1 text-[13px]"
    >
      <summary className="text-petrol cursor-pointer underline">What each answer changes</summary>
      {open ? (
        <ul aria-label="What each answer changes" className="mt-1">
          {answers.map((a) => (
            <One key={a.title} job={job} answer={a} />
          ))}
        </ul>
      ) : null}
    </details>
  );
}

import { useState } from 'react';
import type { DeskOrder } from '../api/client';
import { Button } from '../ui/Button';
import { shortTime } from '../times';
import { STEPS } from './state';

/** How far an order is at the desk: each state with when it came to it. */
export function Progress({ order }: { order: DeskOrder }) {
  const at = (state: string) => order.history.find((h) => h.state === state)?.at;
  const withdrawn = at('withdrawn');
  const steps = STEPS.filter((s) => s.state !== 'waiting' || at('waiting'));
  return (
    <ol aria-label="How far it is" className="my-2">
      {steps.map((s) => {
        const when = at(s.state);
        const now = s.state === order.state;
        return (
          <li
            key={s.state}
            data-step={s.state}
            data-reached={when !== undefined}
            aria-current={now ? 'step' : undefined}
            className="flex items-baseline gap-2 py-0.5"
          >
            <span
              aria-hidden
              className={`inline-block h-2.5 w-2.5 shrink-0 rounded-full border-2 ${
                when ? 'border-good bg-good' : 'border-edge'
              }`}
            />
            <span className={`grow ${now ? 'font-semibold' : when ? '' : 'text-faint'}`}>
              {s.says}
            </span>
            <span className="num text-faint text-[13px]">{when ? shortTime(when) : ''}</span>
          </li>
        );
      })}
      {withdrawn ? (
        <li className="flex items-baseline gap-2 py-0.5 font-semibold" data-step="withdrawn">
          <span aria-hidden className="border-stop bg-stop h-2.5 w-2.5 rounded-full border-2" />
          <span className="grow">withdrawn</span>
          <span className="num text-faint text-[13px]">{shortTime(withdrawn)}</span>
        </li>
      ) : null}
    </ol>
  );
}

/** What an engineer asks, each with the answers that can be given. */
export function EngineersQuestions({
  order,
  onAnswer,
}: {
  order: DeskOrder;
  onAnswer: (question: string, answer: string) => void;
}) {
  const over = order.state === 'withdrawn' || order.state === 'shipped';
  if (order.questions.length === 0) {
    return null;
  }
  return (
    <section aria-label="Questions of the engineer">
      <h3 className="mt-3 font-semibold">The engineer asks</h3>
      <ul>
        {order.questions.map((q) => (
          <li key={q.id} data-question={q.id} className="border-edge/60 border-b py-1.5">
            <p>{q.says}</p>
            {q.answer !== '' ? (
              <p className="text-good">✓ {q.answer}</p>
            ) : over ? (
              <p className="text-faint">It needs no answer any more.</p>
            ) : (
              <Answers answers={q.answers} name={q.id} onAnswer={(a) => onAnswer(q.id, a)} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Answers({
  answers,
  name,
  onAnswer,
}: {
  answers: readonly string[];
  name: string;
  onAnswer: (answer: string) => void;
}) {
  const [chosen, setChosen] = useState('');
  return (
    <form
      className="mt-1"
      onSubmit={(e) => {
        e.preventDefault();
        onAnswer(chosen);
      }}
    >
      {answers.map((a) => (
        <label key={a} className="flex items-baseline gap-2">
          <input
            type="radio"
            name={name}
            value={a}
            checked={chosen === a}
            onChange={() => setChosen(a)}
          />
          {a}
        </label>
      ))}
      <Button type="submit" className="mt-1" disabled={chosen === ''}>
        Answer
      </Button>
    </form>
  );
}

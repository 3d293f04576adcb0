import type { DeskOrderView } from '../api/client';

/** States of an order at the desk, in their order, as they are called here. */
export const STEPS: readonly { state: string; says: string }[] = [
  { state: 'received', says: 'received' },
  { state: 'waiting', says: 'question' },
  { state: 'making', says: 'being made' },
  { state: 'testing', says: 'tested' },
  { state: 'packed', says: 'packed' },
  { state: 'shipped', says: 'shipped' },
];

const OVER = ['shipped', 'withdrawn'];

/** Whether something may still change without anybody's doing here. */
export function isMoving(o: DeskOrderView): boolean {
  return (
    o.state === 'sending' ||
    o.state === 'placing' ||
    (o.state === 'placed' && !OVER.includes(o.said?.state ?? ''))
  );
}

/** Questions nobody has answered yet. */
export function openQuestions(o: DeskOrderView): number {
  return o.said === null || OVER.includes(o.said.state)
    ? 0
    : o.said.questions.filter((q) => q.answer === '').length;
}

/** Whether the boards are not being made yet, so that the order can be withdrawn. */
export function canWithdraw(o: DeskOrderView): boolean {
  return o.state === 'placed' && ['received', 'waiting'].includes(o.said?.state ?? '');
}

export interface Standing {
  mark: 'done' | 'look' | 'open';
  says: string;
}

/** Where the orders of a job stand, in a few words: of the newest that was not left. */
export function standing(orders: readonly DeskOrderView[]): Standing {
  const o = orders.find((x) => x.state !== 'left');
  if (!o) {
    return { mark: 'open', says: 'nothing ordered' };
  }
  if (o.state !== 'placed') {
    return o.fault !== ''
      ? { mark: 'look', says: o.state === 'placing' ? 'not known yet' : 'not ordered' }
      : { mark: 'open', says: o.state === 'read' ? 'quoted, not ordered' : 'on its way' };
  }
  const said = o.said;
  if (!said) {
    return { mark: 'look', says: 'ordered' };
  }
  if (openQuestions(o) > 0) {
    return { mark: 'look', says: `${said.number}: a question is open` };
  }
  const step = STEPS.find((s) => s.state === said.state)?.says ?? said.state;
  return { mark: said.state === 'withdrawn' ? 'open' : 'done', says: `${said.number}, ${step}` };
}

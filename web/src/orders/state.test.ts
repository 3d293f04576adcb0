import { describe, expect, it } from 'vitest';
import type { DeskOrderView } from '../api/client';
import { shortTime } from '../times';
import { canWithdraw, isMoving, openQuestions, standing } from './state';

const said = (state: string, answers: string[] = []): DeskOrderView['said'] => ({
  key: 'k',
  number: 'D-1001',
  upload: '',
  state,
  says: '',
  history: [],
  questions: answers.map((answer, i) => ({ id: `q${i}`, says: '', answers: [], answer })),
  tracking: '',
});

const order = (state: string, more: Partial<DeskOrderView> = {}): DeskOrderView => ({
  id: 1,
  cut: 1,
  state,
  by: '',
  note: '',
  begun: '',
  heard: '',
  fault: '',
  differences: [],
  reading: null,
  said: null,
  ...more,
});

describe('standing', () => {
  it('is of the newest order that was not left', () => {
    const placed = order('placed', { said: said('making') });
    expect(standing([])).toEqual({ mark: 'open', says: 'nothing ordered' });
    expect(standing([order('left'), placed])).toEqual({ mark: 'done', says: 'D-1001, being made' });
    expect(standing([order('read'), placed]).says).toBe('quoted, not ordered');
  });

  it('says when something is open, unknown or went wrong', () => {
    expect(standing([order('placed', { said: said('waiting', ['yes', '']) })]).mark).toBe('look');
    expect(standing([order('placing', { fault: 'lost.' })])).toEqual({
      mark: 'look',
      says: 'not known yet',
    });
    expect(standing([order('read', { fault: 'lost.' })]).says).toBe('not ordered');
    expect(standing([order('placed', { said: said('withdrawn') })]).mark).toBe('open');
  });
});

describe('an order', () => {
  it('moves until it is shipped, withdrawn, quoted or left', () => {
    expect(isMoving(order('placed', { said: said('packed') }))).toBe(true);
    expect(isMoving(order('placed', { said: said('shipped') }))).toBe(false);
    expect(isMoving(order('placing'))).toBe(true);
    expect(isMoving(order('read'))).toBe(false);
    expect(isMoving(order('left'))).toBe(false);
  });

  it('is withdrawn only before it is made, and asks nothing when it is over', () => {
    expect(canWithdraw(order('placed', { said: said('waiting') }))).toBe(true);
    expect(canWithdraw(order('placed', { said: said('making') }))).toBe(false);
    expect(openQuestions(order('placed', { said: said('waiting', ['', '']) }))).toBe(2);
    expect(openQuestions(order('placed', { said: said('withdrawn', ['', '']) }))).toBe(0);
  });

  it('has times to the minute', () => {
    expect(shortTime('2026-05-01T10:03:59.123Z')).toBe('2026-05-01 10:03 UTC');
  });
});

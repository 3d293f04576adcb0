import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { follow } from './follow';

type State = Parameters<typeof follow>[0];

const state = (status: State['status'], done = 0): State => ({
  id: 't',
  status,
  step: 'checking',
  done,
  of: 3,
  result: '',
  error: '',
  over: status !== 'RUNNING',
});

/** A stream as the browser's, whose connection the test holds. */
class Stream {
  static open: Stream[] = [];
  onmessage: ((e: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  closed = false;
  constructor(readonly url: string) {
    Stream.open.push(this);
  }
  say(s: State): void {
    this.onmessage?.({ data: JSON.stringify(s) });
  }
  close(): void {
    this.closed = true;
  }
}

describe('following a task', () => {
  let answers: (() => Response)[];
  beforeEach(() => {
    Stream.open = [];
    answers = [];
    vi.useFakeTimers();
    vi.stubGlobal('EventSource', Stream);
    vi.stubGlobal('fetch', () => {
      const next = answers.shift();
      return next ? Promise.resolve(next()) : Promise.reject(new Error('no connection'));
    });
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const json = (s: State) => () => new Response(JSON.stringify(s));

  it('tells every change, and ends with the last', async () => {
    const seen: number[] = [];
    const over = follow(state('RUNNING'), (s) => seen.push(s.done));
    Stream.open[0]?.say(state('RUNNING', 1));
    Stream.open[0]?.say(state('DONE', 3));
    expect((await over).status).toBe('DONE');
    expect(seen).toEqual([1, 3]);
    expect(Stream.open[0]?.closed).toBe(true);
  });

  it('takes a lost stream up again', async () => {
    const seen: number[] = [];
    const over = follow(state('RUNNING'), (s) => seen.push(s.done));
    answers.push(json(state('RUNNING', 2)));
    Stream.open[0]?.onerror?.();
    await vi.advanceTimersByTimeAsync(300);
    Stream.open[1]?.say(state('DONE', 3));
    expect((await over).status).toBe('DONE');
    expect(seen).toEqual([2, 3]);
  });

  it('hears of an end that came while nobody listened', async () => {
    const over = follow(state('RUNNING'), () => undefined);
    answers.push(json(state('DONE', 3)));
    Stream.open[0]?.onerror?.();
    await vi.advanceTimersByTimeAsync(300);
    expect((await over).status).toBe('DONE');
  });

  it('says that work ended with the application', async () => {
    const over = follow(state('RUNNING'), () => undefined);
    const said = expect(over).rejects.toThrow('was started anew');
    answers.push(() => new Response('{}', { status: 404 }));
    Stream.open[0]?.onerror?.();
    await vi.advanceTimersByTimeAsync(300);
    await said;
  });

  it('gives up after a while, and does not say that nothing was done', async () => {
    const over = follow(state('RUNNING'), () => undefined);
    const said = expect(over).rejects.toThrow('is not known');
    for (let i = 0; i < 12; i++) {
      Stream.open.at(-1)?.onerror?.();
      await vi.advanceTimersByTimeAsync(9000);
    }
    await said;
  });
});

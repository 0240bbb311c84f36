/** One worker, one newest question: answers, faults, too long, stopped. */
import { vi } from 'vitest';
import { workerClient, type WorkerLike, type WorkerState } from './ask-worker.ts';

interface Answer {
  readonly id: number;
  readonly says: string;
}
class Fake implements WorkerLike<Answer> {
  onmessage: WorkerLike<Answer>['onmessage'] = null;
  onerror: WorkerLike<Answer>['onerror'] = null;
  readonly got: { id: number }[] = [];
  ended = false;
  postMessage = (m: unknown): void => void this.got.push(m as { id: number });
  terminate = (): void => void (this.ended = true);
}

function bench(patience = 1000) {
  const made: Fake[] = [];
  const told: WorkerState<Answer>[] = [];
  const client = workerClient<Answer>(
    () => {
      const w = new Fake();
      made.push(w);
      return w;
    },
    (s) => told.push(s),
    patience,
  );
  const last = () => told.at(-1);
  const reply = (id: number, says: string) => made.at(-1)?.onmessage?.({ data: { id, says } });
  return { made, told, client, last, reply };
}

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

test('the newest question counts', () => {
  const b = bench();
  b.client.ask({ what: 'a' });
  b.client.ask({ what: 'b' });
  b.reply(1, 'old');
  expect(b.last()).toEqual({ kind: 'working' });
  b.reply(2, 'new');
  expect(b.last()).toEqual({ kind: 'answered', answer: { id: 2, says: 'new' } });
  expect(b.made).toHaveLength(1);
  vi.advanceTimersByTime(5000);
  expect(b.last()?.kind).toBe('answered');
});

test('one that takes too long is ended, and the next question has a new one', () => {
  const b = bench(1000);
  b.client.ask({});
  vi.advanceTimersByTime(1000);
  expect(b.last()).toEqual({ kind: 'failed', why: 'time', detail: '' });
  expect(b.made[0]?.ended).toBe(true);
  b.made[0]?.onmessage?.({ data: { id: 1, says: 'too late' } });
  expect(b.last()?.kind).toBe('failed');
  b.client.ask({});
  expect(b.made).toHaveLength(2);
});

test('a fault is told, whether it was caught inside or not', () => {
  const b = bench();
  b.client.ask({});
  b.made[0]?.onmessage?.({ data: { id: 1, error: 'no strings' } });
  expect(b.last()).toEqual({ kind: 'failed', why: 'error', detail: 'no strings' });
  b.client.ask({});
  b.made[1]?.onerror?.({ message: 'cannot load' });
  expect(b.last()).toEqual({ kind: 'failed', why: 'error', detail: 'cannot load' });
});

test('it can be stopped, and nothing asked is nothing', () => {
  const b = bench();
  b.client.ask({});
  b.client.cancel();
  expect(b.last()).toMatchObject({ kind: 'failed', why: 'cancelled' });
  expect(b.made[0]?.ended).toBe(true);
  b.client.nothing();
  expect(b.last()).toEqual({ kind: 'idle' });
});

import { loopOf } from './loop.ts';

afterEach(() => vi.useRealTimers());

test('it goes on by itself, once however often it is started, and rests after a fault', async () => {
  vi.useFakeTimers();
  const at: number[] = [];
  let fails = false;
  const once = () => {
    at.push(Date.now());
    return fails ? Promise.reject(new Error('away')) : Promise.resolve();
  };
  const began = Date.now();
  const start = loopOf({ first: 100, every: 1000, afterFault: 5000, fault: 'it rests', once });
  start();
  start();
  await vi.advanceTimersByTimeAsync(2200);
  expect(at.map((t) => t - began)).toEqual([100, 1100, 2100]);
  fails = true;
  await vi.advanceTimersByTimeAsync(1000);
  fails = false;
  await vi.advanceTimersByTimeAsync(5000);
  expect(at.map((t) => t - began)).toEqual([100, 1100, 2100, 3100, 8100]);
});

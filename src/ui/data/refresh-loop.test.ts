/** The order in which a screen refreshes while changes arrive: tried with a clock of its own. */
import fc from 'fast-check';
import { refreshLoop } from './refresh-loop.ts';

/** A world with a clock that is moved by hand, and refreshes that end when they are told to. */
function world() {
  let now = 0;
  const timers = new Set<{ at: number; work: () => void }>();
  const begun: number[] = [];
  let end: ((done: boolean) => void) | null = null;
  let stood = 0;
  /** what the screen shows of the changes, by how many there were when its last good refresh began */
  let shown = 0;
  const loop = refreshLoop({
    settle: 40,
    again: 1500,
    later: (work, ms) => {
      const timer = { at: now + ms, work };
      timers.add(timer);
      return () => timers.delete(timer);
    },
    refresh: () => {
      begun.push(now);
      const seen = stood;
      return new Promise<boolean>((resolve) => {
        end = (done) => {
          end = null;
          if (done) shown = seen;
          resolve(done);
        };
      });
    },
  });
  const settled = () => new Promise((r) => setImmediate(r));
  return {
    change: () => {
      stood++;
      loop.ask();
    },
    pass: async (ms: number) => {
      const until = now + ms;
      for (;;) {
        const due = [...timers].filter((t) => t.at <= until).sort((a, b) => a.at - b.at)[0];
        if (!due) break;
        timers.delete(due);
        now = due.at;
        due.work();
        await settled();
      }
      now = until;
    },
    end: async (done = true) => {
      end?.(done);
      await settled();
    },
    isRunning: () => end !== null,
    begun,
    timers,
    loop,
    upToDate: () => shown === stood,
  };
}

test('changes that come together cost one refresh', async () => {
  const w = world();
  for (let i = 0; i < 5; i++) w.change();
  await w.pass(39);
  expect(w.begun).toEqual([]);
  await w.pass(1);
  expect(w.begun).toEqual([40]);
  await w.end();
  await w.pass(5000);
  expect(w.begun).toHaveLength(1);
});

test('what changed while it ran costs one more, however much it was', async () => {
  const w = world();
  w.change();
  await w.pass(40);
  for (let i = 0; i < 9; i++) w.change();
  await w.end();
  await w.pass(40);
  expect(w.begun).toHaveLength(2);
  await w.end();
  await w.pass(5000);
  expect(w.begun).toHaveLength(2);
  expect(w.upToDate()).toBe(true);
});

test('a flood does not put it off', async () => {
  const w = world();
  for (let i = 0; i < 20; i++) {
    w.change();
    await w.pass(10);
  }
  expect(w.begun[0]).toBe(40);
});

test('one that failed is tried again by itself, and one that was stopped is not', async () => {
  const w = world();
  w.change();
  await w.pass(40);
  await w.end(false);
  await w.pass(1499);
  expect(w.begun).toHaveLength(1);
  await w.pass(1);
  expect(w.begun).toHaveLength(2);
  w.loop.stop();
  await w.end(false);
  w.change();
  await w.pass(5000);
  expect(w.begun).toHaveLength(2);
  expect(w.timers.size).toBe(0);
});

test('whatever the order, the screen is up to date when all is quiet, and never refreshes twice at once', async () => {
  const step = fc.oneof(
    fc.constant('change' as const),
    fc.constant('end' as const),
    fc.constant('fail' as const),
    fc.integer({ min: 1, max: 60 }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 40 }), async (steps) => {
      const w = world();
      for (const s of steps) {
        if (s === 'change') w.change();
        else if (s === 'end') await w.end();
        else if (s === 'fail') await w.end(false);
        else await w.pass(s);
      }
      for (let i = 0; i < 4; i++) {
        await w.end();
        await w.pass(2000);
      }
      await w.end();
      expect(w.upToDate()).toBe(true);
      expect(w.timers.size).toBe(0);
    }),
    { numRuns: 300 },
  );
});

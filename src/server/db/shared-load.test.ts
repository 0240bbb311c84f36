import fc from 'fast-check';
import { expectBurst, sharedLoad } from './shared-load.ts';

const tick = () => new Promise((resolve) => setTimeout(resolve, 0));

describe('a load shared by all who ask at the same moment', () => {
  test('twenty who ask at once cost one load, and those who ask while it runs one more', async () => {
    let loads = 0;
    const load = async () => {
      await tick();
      return ++loads;
    };
    const ask = () => Array.from({ length: 20 }, () => sharedLoad('twenty', load));
    const first = ask();
    await Promise.resolve();
    await Promise.resolve();
    const given = await Promise.all([...first, ...ask()]);
    expect(loads).toBe(2);
    expect(given).toEqual([...Array.from({ length: 20 }, () => 1), ...Array.from({ length: 20 }, () => 2)]);
  });

  test('nothing is kept: who asks later loads anew', async () => {
    let loads = 0;
    const load = () => Promise.resolve(++loads);
    expect(await sharedLoad('later', load)).toBe(1);
    await tick();
    expect(await sharedLoad('later', load)).toBe(2);
  });

  test('different things are loaded beside each other', async () => {
    const both = await Promise.all([
      sharedLoad('one', () => Promise.resolve('one')),
      sharedLoad('two', () => Promise.resolve('two')),
    ]);
    expect(both).toEqual(['one', 'two']);
  });

  test('a failure is told to those who share it, and the next one loads again', async () => {
    let loads = 0;
    const load = async () => {
      await tick();
      if (++loads === 1) throw new Error('away');
      return loads;
    };
    const first = sharedLoad('fails', load);
    await Promise.resolve();
    await Promise.resolve();
    const given = await Promise.allSettled([first, sharedLoad('fails', load)]);
    expect(given.map((g) => g.status)).toEqual(['rejected', 'fulfilled']);
  });

  test('a throw at once is a failure like any other', async () => {
    const throws = () => Promise.reject(new Error('at once'));
    await expect(sharedLoad('throws', throws)).rejects.toThrow('at once');
    await expect(sharedLoad('throws', () => Promise.resolve(1))).resolves.toBe(1);
  });

  test('whoever asks after a change sees it, however many ask and however long loads take', async () => {
    let asked = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ write: fc.boolean(), rest: fc.nat(3), long: fc.nat(4) }), { maxLength: 30 }),
        async (steps) => {
          const key = `property ${asked++}`;
          let state = 0;
          const told: Promise<void>[] = [];
          for (const { write, rest, long } of steps) {
            if (write) state++;
            const known = state;
            const load = async () => {
              const seen = state;
              for (let i = 0; i < long; i++) await Promise.resolve();
              return seen;
            };
            told.push(sharedLoad(key, load).then((seen) => expect(seen).toBeGreaterThanOrEqual(known)));
            for (let i = 0; i < rest; i++) await Promise.resolve();
          }
          await Promise.all(told);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('in the burst after a change the first waits for those who come a little later', async () => {
    let loads = 0;
    const load = () => Promise.resolve(++loads);
    expectBurst();
    const first = sharedLoad('burst', load);
    await tick();
    await tick();
    expect(await Promise.all([first, sharedLoad('burst', load)])).toEqual([1, 1]);
  });
});

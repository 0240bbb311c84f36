import fc from 'fast-check';
import { compareReadings } from './compare.ts';
import { copyForward } from './copy-forward.ts';
import type { Reading } from './reading.ts';
import { afterNumber, isRoundKind, nextAfterRound, roundName, roundOrder, type RoundKind } from './rounds.ts';

describe('rounds', () => {
  test.each([
    ['as-found', true, 0, 'As found'],
    ['after-work', true, 1, 'After work'],
    ['after-work-2', true, 2, 'After work 2'],
    ['after-work-11', true, 11, 'After work 11'],
    ['after-work-1', false, 0, ''],
    ['after-work-', false, 0, ''],
    ['as-left', true, 1000, 'As left'],
    ['later', false, 0, ''],
  ])('%s', (kind, known, order, name) => {
    expect(isRoundKind(kind)).toBe(known);
    if (!known) return;
    expect(roundOrder(kind as RoundKind)).toBe(order);
    expect(roundName(kind as RoundKind)).toBe(name);
  });

  test('a round is called by what was done before it', () => {
    expect(roundName('after-work-3', 'Cut the nut slots')).toBe('After: Cut the nut slots');
    expect(afterNumber('as-left')).toBe(0);
  });

  test.each([
    ['nothing was done', [], [], null],
    ['one thing was done', [], [{ title: 'Rod', at: 5 }], { kind: 'after-work', title: 'Rod' }],
    ['read since', [{ kind: 'after-work', startedAt: 6 }], [{ title: 'Rod', at: 5 }], null],
    [
      'something more was done',
      [{ kind: 'after-work', startedAt: 6 }],
      [
        { title: 'Nut', at: 9 },
        { title: 'Rod', at: 5 },
      ],
      { kind: 'after-work-2', title: 'Nut' },
    ],
    [
      'and more',
      [
        { kind: 'after-work-2', startedAt: 10 },
        { kind: 'after-work', startedAt: 6 },
        { kind: 'as-found', startedAt: 1 },
      ],
      [{ title: 'Saddle', at: 12 }],
      { kind: 'after-work-3', title: 'Saddle' },
    ],
    [
      'whichever stands first in the list: the round begun last counts',
      [
        { kind: 'after-work', startedAt: 6 },
        { kind: 'after-work-2', startedAt: 10 },
      ],
      [{ title: 'Saddle', at: 8 }],
      null,
    ],
    [
      'the last round of a job, begun later, is none after work',
      [
        { kind: 'after-work', startedAt: 6 },
        { kind: 'as-left', startedAt: 20 },
      ],
      [{ title: 'Saddle', at: 8 }],
      { kind: 'after-work-2', title: 'Saddle' },
    ],
    [
      'finished in the moment the round was begun',
      [{ kind: 'after-work', startedAt: 6 }],
      [{ title: 'Rod', at: 6 }],
      null,
    ],
    [
      'of two finished, the newer names it, in whatever order',
      [],
      [
        { title: 'Rod', at: 5 },
        { title: 'Nut', at: 9 },
        { title: 'Frets', at: 7 },
      ],
      { kind: 'after-work', title: 'Nut' },
    ],
  ] as const)('the next round after work: %s', (_, rounds, finished, next) => {
    expect(nextAfterRound(rounds, finished)).toEqual(next);
  });
});

const reading = (key: string, round: RoundKind, takenAt: number, more: Partial<Reading> = {}): Reading => ({
  key,
  quantity: 'relief',
  string: 0,
  fret: 7,
  value: 1,
  round,
  takenAt,
  notRepresentative: null,
  ...more,
});

describe('copyForward', () => {
  const rounds = fc.constantFrom<RoundKind>('as-found', 'after-work', 'after-work-2', 'as-left');
  const any = fc.array(
    fc.record({
      key: fc.constantFrom('a', 'b', 'c'),
      round: rounds,
      takenAt: fc.nat(50),
      stale: fc.boolean(),
    }),
    { maxLength: 20 },
  );

  test('only from earlier rounds, never over the round’s own, never stale, one a place; again it is nothing', () => {
    fc.assert(
      fc.property(any, rounds, (all, into) => {
        const readings = all.map((a) => ({ ...reading(a.key, a.round, a.takenAt), stale: a.stale }));
        const copied = copyForward(readings, into, (r) => r.stale);
        const own = new Set(readings.filter((r) => r.round === into).map((r) => r.key));
        expect(new Set(copied.map((r) => r.key)).size).toBe(copied.length);
        for (const r of copied) {
          expect(roundOrder(r.round)).toBeLessThan(roundOrder(into));
          expect(own.has(r.key)).toBe(false);
          expect(r.stale).toBe(false);
        }
        const after = [...readings, ...copied.map((r) => ({ ...r, round: into }))];
        const again = copyForward(after, into, (r) => r.stale);
        expect(again).toEqual([]);
      }),
    );
  });

  test('the newest stands, what is not representative does not', () => {
    const all = [
      reading('a', 'as-found', 1),
      reading('a', 'after-work', 5),
      reading('b', 'as-found', 2, { notRepresentative: 'a string is missing' }),
    ];
    expect(copyForward(all, 'as-left', () => false)).toEqual([all[1]]);
  });
});

describe('compareReadings', () => {
  const at = (value: number, uncertainty: number | null = 0.01) => ({ value, uncertainty });
  test('what moved, and whether the gauges can tell', () => {
    const a = new Map([
      ['x', at(1)],
      ['y', at(1)],
      ['z', at(1)],
    ]);
    const b = new Map([
      ['x', at(1.02)],
      ['y', at(1.2)],
      ['w', at(3)],
    ]);
    expect(compareReadings(a, b, ['w', 'x', 'y', 'z', 'none'])).toEqual([
      { key: 'w', a: null, b: 3, moved: null, sure: false },
      { key: 'x', a: 1, b: 1.02, moved: expect.closeTo(0.02, 12), sure: false },
      { key: 'y', a: 1, b: 1.2, moved: expect.closeTo(0.2, 12), sure: true },
      { key: 'z', a: 1, b: null, moved: null, sure: false },
    ]);
  });
});

import { LONG } from '../../runs-for-tests.ts';
import type { Construction } from '../instrument/construction.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { earPlan, type EarPlan, type EarWish } from './ear-plan.ts';
import type { EarResult, EarRound } from './ear-round.ts';
import { listen, type EarSaid } from './listening.ts';
import { playedRound, soundOf, type Played } from './play-for-tests.ts';
import { sayOutcome, sayStep } from './say-ear.ts';

const WISH: EarWish = {
  tuning: '',
  pitch: 440,
  method: 'open',
  firstString: 'lowest',
  tune: true,
  nut: false,
  only: null,
};
/** Half of what a tablet gives: enough for all of it, and done in half the time. */
const RATE = 22_050;
const five: Construction = {
  ...usualConstruction('bass'),
  strings: [
    { note: 'B0', gauge: 3.3, wound: true },
    ...usualConstruction('bass').strings.filter((s) => s.note !== 'B0'),
  ],
};

/** Others go on between blocks: a test that held the process would be taken for a dead one. */
async function heardBy(plan: EarPlan, played: readonly Played[], room?: number) {
  const { samples, rate } = soundOf(played, RATE, room);
  const listening = listen(plan, rate);
  const said: EarSaid[] = [];
  for (let from = 0; from < samples.length; from += 4096) {
    said.push(...listening.push(samples.subarray(from, from + 4096)));
    if (from % 65_536 === 0) await new Promise((resolve) => setImmediate(resolve));
  }
  const rounds = said.flatMap((s) => (s.kind === 'round' ? [s] : []));
  return {
    round: listening.round(),
    said,
    seconds: samples.length / rate,
    outcomes: rounds.map((r) => r.round.last?.kind),
    words: rounds.map((r) => (r.round.last ? sayOutcome(plan, r.round.last) : '')),
    results: rounds.flatMap((r) => (r.done ? [r.done] : [])),
  };
}

const mean = ({ cents }: EarResult): number => cents.reduce((a, b) => a + b, 0) / cents.length;
const finished = (round: EarRound): boolean => round.at === round.plan.steps.length;

/** What is played each time; the others, as a bass and a tuning of one's own, by `--long`. */
const SOME: ReadonlySet<string> = new Set(['six strings', 'pairs, each string alone']);

describe('a whole round', () => {
  test.each(
    (
      [
        ['six strings', usualConstruction('steel-acoustic'), {}],
        ['a bass of five, against the harmonic', five, { method: 'harmonic' as const, only: [5, 1] }],
        ['a ukulele whose fourth string is not its lowest', usualConstruction('ukulele'), { only: [4, 3] }],
        ['pairs, each string alone', usualConstruction('twelve-string'), { only: [12, 11, 3] }],
        ['the low frets too', usualConstruction('steel-acoustic'), { nut: true, only: [2] }],
        [
          'a whole tone down, over another reference',
          usualConstruction('steel-acoustic'),
          {
            tuning: 'D G C F A D',
            pitch: 432,
            tune: false,
            only: [6, 1],
          },
        ],
      ] as const
    ).filter(([name]) => LONG || SOME.has(name)),
  )('%s', async (_, construction, wish) => {
    const plan = earPlan(construction, { ...WISH, ...wish });
    const fretted = plan.strings.map((_s, i) => ((7 * i) % 11) - 4.5);
    const played = playedRound(plan, { tuned: plan.strings.map((_s, i) => (i % 3) - 0.8), fretted });
    const { round, results, seconds } = await heardBy(plan, played);
    expect(finished(round)).toBe(true);
    const held = plan.steps.filter((s) => s.kind === 'fretted');
    expect(results.map((r) => [r.string, r.fret])).toEqual(
      held.map((s) => [plan.strings[s.string]?.number, s.fret]),
    );
    for (const r of results) {
      const truth = fretted[plan.strings.findIndex((s) => s.number === r.string)] ?? NaN;
      expect(Math.abs(mean(r) - truth)).toBeLessThan(0.3);
      expect(r.doubt).toBeLessThan(0.4);
      expect(r.cents.length).toBeGreaterThanOrEqual(2);
    }
    if (plan.strings.length === 6 && !plan.steps.some((s) => s.fret === 1)) expect(seconds).toBeLessThan(90);
  });
});

describe('what is no pluck of the string that is awaited', () => {
  const plan = earPlan(usualConstruction('steel-acoustic'), { ...WISH, tune: false, only: [6, 5] });
  const [low, next] = [82.407, 110];

  test('another string, a door, a string held elsewhere and a damped one are told apart and count nothing', async () => {
    const { round, words } = await heardBy(plan, [
      { hz: next },
      { door: true },
      { hz: 2 * low },
      { hz: low, rings: 0.05 },
      { hz: low },
      { hz: low },
      { hz: low },
    ]);
    expect(words.slice(0, 3)).toEqual([
      'That was string 5 A, open.',
      'That was no string that could be told from the room.',
      'That was string 6 E, held at 12.',
    ]);
    expect(words[3]).toMatch(/damped/);
    expect(words.at(-2)).toMatch(/^\+?0(?:\.1)?, the mean within 0\.1\.$/);
    expect(words.at(-1)).toBe('That was string 6 E, open.');
    expect(sayStep(round)).toMatchObject({ string: 'String 6 E', act: 'hold it at 12 and pluck' });
  });

  test('knocks say again, skip and stop; one alone says nothing', async () => {
    const { said, outcomes } = await heardBy(plan, [
      { hz: low },
      { knocks: 2 },
      { knocks: 1 },
      { knocks: 3 },
      { knocks: 4 },
    ]);
    expect(outcomes).toEqual(['counted', 'begun-again', 'knocked', 'skipped']);
    expect(said.at(-1)?.kind).toBe('stopped');
  });

  test('silences that a device puts in leave the rest of the pluck', async () => {
    const { samples, rate } = soundOf([{ hz: low }, { hz: low }], RATE);
    // Into the first pluck early, into the second late.
    for (const at of [0.5 + 0.2, 2.05 + 0.7])
      samples.fill(0, Math.round(at * rate), Math.round((at + 0.01) * rate));
    const listening = listen(plan, rate);
    const rounds = listening.push(samples).filter((s) => s.kind === 'round');
    expect(rounds.map((r) => r.round.last?.kind)).toEqual(['counted', 'done']);
  });

  test('a room that hums and hisses is no pluck, and does not hide one', async () => {
    const { outcomes } = await heardBy(plan, [{ quiet: 3 }, { hz: low }, { hz: low }], 2e-3);
    expect(outcomes).toEqual(['counted', 'done']);
  });
});

describe('tuning', () => {
  const plan = earPlan(usualConstruction('steel-acoustic'), { ...WISH, only: [6] });
  const at = (cents: number): Played => ({ hz: 82.407 * 2 ** (cents / 1200) });

  test('flat, brought up, gives way once, stands', async () => {
    const { words, outcomes } = await heardBy(plan, [at(-25), at(0.5), at(-6), at(0.4), at(0.1)]);
    expect(outcomes).toEqual(['out-of-tune', 'settling', 'gave-way', 'settling', 'tuned']);
    expect(words[0]).toMatch(/^2[45]\.\d cents flat: bring it up\.$/);
    expect(words[2]).toMatch(/^It gave way by 6\.[456] cents: stretch it and tune it again\.$/);
  });

  test('a string a whole tone down is still itself', async () => {
    const { outcomes } = await heardBy(plan, [at(-200)]);
    expect(outcomes).toEqual(['out-of-tune']);
  });

  test('while it rings its pitch is followed', async () => {
    const { said } = await heardBy(plan, [at(-12)]);
    const live = said.flatMap((s) => (s.kind === 'pitch' && s.live ? [s.live.cents] : []));
    expect(live.length).toBeGreaterThan(5);
    for (const cents of live) expect(Math.abs(cents + 12)).toBeLessThan(1);
  });
});

import { usualConstruction } from '../instrument/defaults.ts';
import type { Heard } from '../sound/hear.ts';
import { earPlan, notesOf } from './ear-plan.ts';
import {
  beginEarRound,
  hearAgain,
  hearPluck,
  resultOf,
  skipStep,
  stepNow,
  SURE,
  type EarRound,
} from './ear-round.ts';
import { isTrouble, sayOutcome, sayStep } from './say-ear.ts';

const steel = usualConstruction('steel-acoustic');
const wish = {
  tuning: '',
  pitch: 440,
  method: 'open',
  firstString: 'lowest',
  tune: false,
  nut: false,
  only: null,
} as const;
const plan = earPlan(steel, wish);
const LOW = plan.strings[0]?.hz ?? 0;

const heard = (hz: number, more: Partial<Heard> = {}): Heard => ({
  hz,
  uncertainty: 0.1,
  inharmonicity: 1e-4,
  seconds: 1,
  glide: null,
  refused: null,
  ...more,
});
const cents = (c: number, from = LOW): Heard => heard(from * 2 ** (c / 1200));
const after = (plucks: readonly Heard[], from: EarRound = beginEarRound(plan)): EarRound =>
  plucks.reduce(hearPluck, from);

test('from the highest string where the shop works that way; strings alone where they go in pairs', () => {
  const turned = earPlan(steel, { ...wish, firstString: 'highest' });
  expect(turned.strings.map((s) => s.number)).toEqual([1, 2, 3, 4, 5, 6]);
  const pairs = earPlan(usualConstruction('twelve-string'), wish);
  expect(pairs.strings.map((s) => s.partner).slice(0, 3)).toEqual(['6b', '6a', '5b']);
  expect(sayStep(beginEarRound(pairs))?.mind).toBe('alone: keep 6b quiet');
});

test('a tuning that is said at the round is the target; words that name none are not', () => {
  expect(notesOf(steel, 'D A D G B E')).toEqual(['D2', 'A2', 'D3', 'G3', 'B3', 'E4']);
  for (const none of ['', 'as strung', 'E A D G'])
    expect(notesOf(steel, none)).toEqual(steel.strings.map((s) => s.note));
});

test('two plucks that agree are enough; a third is wanted where they do not', () => {
  expect(after([cents(0), cents(0.4)]).last).toMatchObject({ kind: 'done' });
  const apart = after([cents(0), cents(2)]);
  expect(apart.last).toMatchObject({ kind: 'counted', of: 2 });
  expect(after([cents(1)], apart).last?.kind).toBe('done');
});

test('plucks that do not agree: why, whether they scatter or fall, and old ones count no more', () => {
  const scatter = after([cents(0), cents(6), cents(1)]);
  expect(scatter.last).toMatchObject({ kind: 'differs', falls: false });
  const falls = after([cents(0), cents(-3), cents(-6)]);
  expect(falls.last).toMatchObject({ kind: 'differs', falls: true });
  expect(falls.last && sayOutcome(plan, falls.last)).toContain('does not hold its pitch');
  expect(falls.last && isTrouble(falls.last)).toBe(true);
  const settled = after(
    [-6.2, -6.1, -6.2, -6.1, -6.2].map((c) => cents(c)),
    falls,
  );
  expect(settled.at).toBe(1);
});

test('what comes of a place: cents against the reference, and what the ear may be off beside their spread', () => {
  const held = 2 * LOW;
  const done = after([cents(10), cents(10), cents(13, held), cents(13.4, held)]);
  const result = resultOf(done, 1);
  expect(result).toMatchObject({ string: 6, fret: 12 });
  expect(result?.cents.map((c) => c.toFixed(3))).toEqual(['3.000', '3.400']);
  expect(result?.doubt).toBeCloseTo(Math.hypot(0.1 / Math.SQRT2, 0.1 / Math.SQRT2), 9);
  expect(resultOf(done, 0)).toBeNull();
  expect(resultOf(done, 3)).toBeNull();
});

test('a reference that was heard once is believed less', () => {
  const tuned = earPlan(steel, { ...wish, tune: true });
  const one = after([cents(0)], beginEarRound(tuned));
  expect(stepNow(one)).toMatchObject({ kind: 'reference' });
  const skipped = { ...one, at: one.at + 1 };
  const done = after([cents(1, 2 * LOW), cents(1, 2 * LOW)], skipped);
  expect(resultOf(done, 2)?.doubt).toBeGreaterThan(SURE);
});

test('a new string is itself from far down on; another string that is played is not', () => {
  const tuned = beginEarRound(earPlan(steel, { ...wish, tune: true }));
  const said = (c: number) => after([cents(c)], tuned).last;
  for (const c of [-1150, -700, -30, 260]) expect(said(c)).toMatchObject({ kind: 'out-of-tune' });
  const down = said(-700);
  expect(down && sayOutcome(tuned.plan, down)).toBe('7.0 semitones flat: bring it up.');
  // The next string, a fourth up.
  expect(said(500)).toMatchObject({ kind: 'elsewhere', string: 1 });
  expect(said(1200)).toMatchObject({ kind: 'elsewhere', string: 0, fret: 12 });
});

test('what is not sure enough does not count', () => {
  const unsure = after([{ ...cents(0), uncertainty: 2.4 }]);
  expect(unsure.last).toEqual({ kind: 'unsure', doubt: 2.4 });
  expect(unsure.plucks[0]).toEqual([]);
});

test.each(['silent', 'too-short', 'clipped', 'damped', 'too-noisy'] as const)('%s is said', (refused) => {
  const { last, at } = after([heard(LOW, { hz: null, uncertainty: null, refused })]);
  expect(last).toEqual({ kind: 'refused', why: refused });
  expect(last && sayOutcome(plan, last)).toMatch(/\.$/);
  expect(at).toBe(0);
});

test('a thousand pitches that are none of its strings are never taken', () => {
  for (let i = 0; i < 1000; i++) {
    const hz = 40 * 2 ** (i / 200);
    const { last, plucks } = after([heard(hz)]);
    const off = Math.abs(1200 * Math.log2(hz / LOW));
    expect(plucks[0]?.length === 1, String(hz)).toBe(off < 70);
    if (off >= 70) expect(['refused', 'elsewhere']).toContain(last?.kind);
  }
});

test('again empties what is heard now, then goes back; skipping a reference skips its string', () => {
  const two = after([cents(0), cents(0), cents(3, 2 * LOW)]);
  const again = hearAgain(two);
  expect([again.at, again.plucks[1]]).toEqual([1, []]);
  const back = hearAgain(again);
  expect([back.at, back.plucks[0]]).toEqual([0, []]);
  expect(hearAgain(hearAgain(back)).at).toBe(0);
  expect(stepNow(skipStep(back))).toMatchObject({ string: 1, kind: 'reference' });
  expect(stepNow(skipStep(again))).toMatchObject({ string: 1, kind: 'reference' });
  let all = beginEarRound(plan);
  for (let i = 0; i < 20; i++) all = skipStep(all);
  expect(stepNow(all)).toBeNull();
  expect(sayStep(all)).toBeNull();
  expect(hearAgain(all).at).toBe(plan.steps.length - 1);
});

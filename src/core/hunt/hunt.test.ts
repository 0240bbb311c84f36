import { seeded } from '../seeded.ts';
import { operation } from '../catalogue/operations.ts';
import { holds } from '../instrument/condition.ts';
import { FACTS } from '../instrument/construction-facts.ts';
import type { Construction } from '../instrument/construction.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS, type Kind } from '../instrument/kinds.ts';
import { isOperationId } from '../catalogue/operation-ids.ts';
import { CAUSE_IDS, CAUSES, USUAL_CAUSES, type CauseId, type CauseWeights } from './causes.ts';
import { FOUND, nextTries, weigh, type HuntedOn, type Tried } from './hunt.ts';
import { answersOf, answerWords, LIKELY, TRIES, TRY_IDS, type TryId } from './tries.ts';

const chanceOf = (tried: readonly Tried[], cause: CauseId): number =>
  weigh(tried).find((w) => w.cause === cause)?.chance ?? 0;

test('every table sums to one, names what it answers and leaves nothing impossible', () => {
  for (const what of TRY_IDS)
    for (const cause of CAUSE_IDS) {
      const row = LIKELY[what][cause];
      expect(Object.values(row).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
      expect(Object.keys(row)).toEqual(answersOf(what));
      for (const p of Object.values(row)) expect(p).toBeGreaterThan(0.005);
      for (const a of answersOf(what)) expect(answerWords(what, a)).toMatch(/\w/);
    }
  for (const cause of CAUSE_IDS) {
    const { where, operations } = CAUSES[cause];
    expect(where.reduce<number>((a, b) => a + b, 0)).toBeGreaterThan(90);
    for (const o of operations) expect(isOperationId(o)).toBe(true);
  }
});

test('chances sum to one, whatever was tried and in whatever order', () => {
  const random = seeded(3);
  for (let i = 0; i < 200; i++) {
    const tried = TRY_IDS.filter(() => random() < 0.4).map((what): Tried => {
      const answers = answersOf(what);
      return { what, answer: answers[Math.floor(random() * answers.length)] ?? '' };
    });
    const all = weigh(tried);
    expect(all.reduce((s, w) => s + w.chance, 0)).toBeCloseTo(1, 9);
    const turned = weigh(tried.toReversed());
    for (const w of all) expect(turned.find((x) => x.cause === w.cause)?.chance).toBeCloseTo(w.chance, 9);
  }
});

test.each([
  ['only on an open string: the nut', [{ what: 'where', answer: 'open' }], ['nut-low', 'nut-shape']],
  ['at one fret: a fret', [{ what: 'where', answer: 'one-fret' }], ['high-fret', 'worn-fret', 'loose-fret']],
  [
    'over a few frets: relief or a rise',
    [{ what: 'where', answer: 'region' }],
    ['back-bow', 'hump', 'high-fret'],
  ],
  [
    'everywhere: too low, or bent back',
    [{ what: 'where', answer: 'everywhere' }],
    ['low-action', 'back-bow'],
  ],
  [
    'one pitch, and it stops when a tuner is held',
    [
      { what: 'where', answer: 'one-pitch' },
      { what: 'tuners', answer: 'stops' },
    ],
    ['tuner'],
  ],
  [
    'one string, and another in its place is quiet',
    [
      { what: 'where', answer: 'one-string' },
      { what: 'string', answer: 'stops' },
    ],
    ['bad-string'],
  ],
] as const)('%s', (_, tried, first) => {
  expect(first).toContain(weigh(tried)[0]?.cause);
});

test('the same thing tried again counts as it came out last', () => {
  const once: Tried = { what: 'tuners', answer: 'same' };
  const again: Tried = { what: 'tuners', answer: 'stops' };
  expect(chanceOf([once, again], 'tuner')).toBeCloseTo(chanceOf([again], 'tuner'), 12);
});

test('what is proposed was not tried, and the likeliest telling for its time comes first', () => {
  const tried: Tried[] = [{ what: 'where', answer: 'open' }];
  const [first, ...rest] = nextTries(tried);
  expect(rest.some((r) => r.what === 'where')).toBe(false);
  expect(['capo', 'paper', 'behind-nut']).toContain(first?.what);
  expect(nextTries(TRY_IDS.map((what) => ({ what, answer: answersOf(what)[0] ?? '' })))).toEqual([]);
});

/** What a hidden cause answers: the likeliest mostly, something else where a noise surprises. */
const answerOf = (cause: CauseId, what: TryId, random: () => number): string => {
  let left = random();
  for (const [answer, p] of Object.entries(LIKELY[what][cause])) if ((left -= p) < 0) return answer;
  return answersOf(what).at(-1) ?? '';
};

/** Tries, one after the other, until the hidden cause is found; every try but the last costs its minutes. */
function hunted(
  cause: CauseId,
  seed: number,
  choose: (tried: readonly Tried[]) => TryId | undefined,
): { readonly tries: number; readonly minutes: number } {
  const random = seeded(seed);
  const answers = new Map(TRY_IDS.map((what) => [what, answerOf(cause, what, random)]));
  const tried: Tried[] = [];
  while (tried.length < TRY_IDS.length) {
    const [top] = weigh(tried);
    if (top && top.cause === cause && top.chance >= FOUND) break;
    const what = choose(tried);
    if (what === undefined) break;
    tried.push({ what, answer: answers.get(what) ?? '' });
  }
  return { tries: tried.length, minutes: tried.reduce((s, t) => s + TRIES[t.what].minutes, 0) };
}

test('thirty noises whose cause is hidden are found in fewer tries and less time than in the fixed order', () => {
  const noises = Array.from({ length: 30 }, (_, i) => ({
    cause: CAUSE_IDS[(7 * i) % CAUSE_IDS.length] as CauseId,
    seed: 100 + i,
  }));
  const fixed = noises.map((n) =>
    hunted(n.cause, n.seed, (tried) => TRY_IDS.find((id) => !tried.some((t) => t.what === id))),
  );
  const led = noises.map((n) => hunted(n.cause, n.seed, (tried) => nextTries(tried)[0]?.what));
  const sum = (all: typeof led, of: 'tries' | 'minutes'): number => all.reduce((s, h) => s + h[of], 0);
  if (process.env['RUBRICA_TABLE'] === 'yes')
    process.stdout.write(
      `${noises.map((n, i) => `${n.cause}: ${fixed[i]?.tries} in order, ${led[i]?.tries} led`).join('\n')}\n` +
        `tries ${sum(fixed, 'tries')} ${sum(led, 'tries')}, minutes ${sum(fixed, 'minutes')} ${sum(led, 'minutes')}\n`,
    );
  expect(sum(led, 'tries')).toBeLessThan(0.6 * sum(fixed, 'tries'));
  expect(sum(led, 'minutes')).toBeLessThan(0.6 * sum(fixed, 'minutes'));
  expect(led.filter((l, i) => l.tries > (fixed[i]?.tries ?? 0)).length).toBeLessThan(6);
});

test('a shop where a cause is met more often begins with it; only how the weights stand to each other counts', () => {
  const here: CauseWeights = { ...USUAL_CAUSES, 'loose-fret': 90 };
  expect(weigh([], { weights: here })[0]?.cause).toBe('loose-fret');
  expect(weigh([])[0]?.cause).not.toBe('loose-fret');
  const chance = (of: readonly { cause: CauseId; chance: number }[]) =>
    of.find((w) => w.cause === 'loose-fret')?.chance ?? 0;
  const tried: Tried[] = [{ what: 'where', answer: 'one-fret' }];
  expect(chance(weigh(tried, { weights: here }))).toBeGreaterThan(chance(weigh(tried)));
  const tenfold = Object.fromEntries(CAUSE_IDS.map((c) => [c, 10 * here[c]])) as CauseWeights;
  expect(weigh(tried, { weights: tenfold }).map((w) => w.cause)).toEqual(
    weigh(tried, { weights: here }).map((w) => w.cause),
  );
  expect(chance(weigh(tried, { weights: tenfold }))).toBeCloseTo(chance(weigh(tried, { weights: here })), 12);
  expect(nextTries(tried, { weights: tenfold })[0]?.what).toBe(nextTries(tried, { weights: here })[0]?.what);
});

describe('what an instrument cannot have', () => {
  const on = (kind: Kind, more: Partial<Construction> = {}) => ({
    built: { ...usualConstruction(kind), ...more },
  });
  const causes = (of: HuntedOn) => weigh([], of).map((w) => w.cause);
  const tries = (of: HuntedOn) => nextTries([], of).map((p) => p.what);

  test('is no cause, and nobody is sent to try it', () => {
    const nylon = on('nylon', { rod: 'none', electronics: 'none' });
    for (const none of ['rod', 'wire', 'saddle-part'] as const) expect(causes(nylon)).not.toContain(none);
    for (const none of ['rod', 'wires', 'bridge'] as const) expect(tries(nylon)).not.toContain(none);
    const solid = on('solid-electric');
    expect(causes(solid)).not.toContain('brace');
    expect(tries(solid)).not.toContain('inside');
    for (const there of ['rod', 'wire', 'saddle-part'] as const) expect(causes(solid)).toContain(there);
  });

  test('nor is a rod turned to try it where the neck has to come off for that', () => {
    expect(tries(on('solid-electric', { rodNut: 'heel' }))).not.toContain('rod');
    expect(causes(on('solid-electric', { rodNut: 'heel' }))).toContain('rod');
    expect(tries(on('solid-electric', { rodNut: 'headstock' }))).toContain('rod');
  });

  test.each([...KINDS])(
    'a %s: chances sum to one, and every cause but what is outside has a mend that fits it',
    (kind) => {
      for (const electronics of Object.keys(FACTS.electronics) as Construction['electronics'][])
        for (const rod of Object.keys(FACTS.rod) as Construction['rod'][]) {
          const of = on(kind, { electronics, rod });
          expect(weigh([], of).reduce((sum, w) => sum + w.chance, 0)).toBeCloseTo(1, 9);
          for (const cause of causes(of))
            if (cause !== 'outside')
              expect(
                CAUSES[cause].operations.some((id) => holds(operation(id).fits, of.built)),
                `${cause} of a ${kind}`,
              ).toBe(true);
        }
    },
  );
});

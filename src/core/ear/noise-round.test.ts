import type { Heard } from '../sound/hear.ts';
import { listenNoise } from './listening-noise.ts';
import { beginNoise, hearNoise, noiseAgain, noiseSays, type NoiseRound } from './noise-round.ts';
import { soundOf, type Played } from './play-for-tests.ts';
import { isNoiseTrouble, sayNoiseHeard, sayNoiseOutcome, sayNoiseStep } from './say-noise.ts';

const heard: Heard = { hz: 110, uncertainty: 0.1, inharmonicity: 0, seconds: 1, glide: null, refused: null };
const buzz = (amount: number, doubt = 0.02) => ({ amount, doubt });
const after = (...amounts: number[]): NoiseRound =>
  amounts.reduce((round, a) => hearNoise(round, heard, buzz(a)), beginNoise());

test('two plucks of the noise, two with the try, and then it is over', () => {
  expect([after(), after(0.9), after(0.9, 0.95), after(0.9, 0.95, 0.1)].map((r) => r.at)).toEqual([
    'before',
    'before',
    'now',
    'now',
  ]);
  expect(after(0.9, 0.95, 0.1, 0.2).at).toBe('over');
  expect(after(0.9, 0.95, 0.1, 0.2, 0.9)).toEqual(after(0.9, 0.95, 0.1, 0.2));
});

test('what rings clear before anything was tried is not the noise', () => {
  const round = after(0.1);
  expect(round.before).toEqual([]);
  expect(round.last?.kind).toBe('not-there');
  expect(round.last && isNoiseTrouble(round.last)).toBe(true);
});

test.each([
  ['clear with it', [0.9, 0.97, 0.03, 0.2], 'stops'],
  ['one of two still buzzes', [0.95, 0.97, 0.03, 0.6], 'less'],
  ['as much as before', [0.9, 0.95, 0.93, 0.9], 'same'],
  ['a little less than two plucks differ', [0.9, 0.9, 0.8, 0.8], 'same'],
  ['much less, but it buzzes', [0.995, 0.99, 0.7, 0.65], 'less'],
  ['worse', [0.6, 0.65, 0.99, 0.99], 'same'],
] as const)('%s: %s', (_, amounts, answer) => {
  expect(noiseSays(after(...amounts))?.answer).toBe(answer);
});

test('nothing is said before both were heard', () => {
  for (const amounts of [[], [0.9], [0.9, 0.9], [0.9, 0.9, 0.1]])
    expect(noiseSays(after(...amounts))).toBeNull();
});

test('what was heard of the noise serves the next try; again forgets the last part only', () => {
  const { before } = after(0.9, 0.95, 0.1, 0.2);
  const next = beginNoise(before);
  expect(next.at).toBe('now');
  const one = hearNoise(next, heard, buzz(0.9));
  expect(noiseAgain(one)).toMatchObject({ at: 'now', before, now: [] });
  expect(noiseAgain(noiseAgain(one))).toMatchObject({ at: 'before', before: [], now: [] });
});

test('what can’t be told counts for nothing and says why', () => {
  const none = hearNoise(beginNoise(), { ...heard, hz: null, refused: 'clipped' }, null);
  expect(none.last && sayNoiseOutcome(none.last)).toContain('Too loud');
  const vague = hearNoise(beginNoise(), heard, null);
  expect(vague.last && sayNoiseOutcome(vague.last)).toContain('damp the other strings');
  expect([none.before, vague.before]).toEqual([[], []]);
});

test('from the sound itself: a rattle that a finger stops, a knock, a door, and knocks that say stop', () => {
  const a: Played = { hz: 110 };
  const rattles: Played = { hz: 110, buzzes: true };
  const sound = soundOf([rattles, { door: true }, rattles, { knocks: 1 }, a, a]);
  const ear = listenNoise([], sound.rate);
  const said = ear.push(sound.samples);
  expect(said.map((s) => s.round.at)).toContain('now');
  const round = ear.round();
  expect(round.at).toBe('over');
  const says = noiseSays(round);
  expect(says?.answer).toBe('stops');
  expect(says && sayNoiseHeard(says)).toMatch(/^buzz 0\.\d\d before, 0\.\d\d with it$/);
  const again = listenNoise(round.before, sound.rate);
  const same = soundOf([rattles, rattles]);
  again.push(same.samples);
  expect(noiseSays(again.round())?.answer).toBe('same');
  const stopped = listenNoise([], sound.rate);
  const knocks = soundOf([{ knocks: 4 }, { quiet: 0.5 }]);
  expect(stopped.push(knocks.samples).some((s) => s.stopped)).toBe(true);
  expect(sayNoiseStep(stopped.round())).toBe('The noise as it is: pluck it 2 times, where it is worst');
});

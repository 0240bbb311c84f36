import { usualConstruction } from '../instrument/defaults.ts';
import type { Heard } from '../sound/hear.ts';
import { listenPlaces } from './listening-places.ts';
import {
  beginPlaces,
  hearPlayed,
  placeNow,
  placePlan,
  playAgain,
  skipPlace,
  type PlaceRound,
} from './place-round.ts';
import { soundOf } from './play-for-tests.ts';
import { sayPlace, sayPlaceOutcome } from './say-places.ts';

const WISH = { tuning: '', pitch: 440, firstString: 'lowest', only: null, upTo: 12 } as const;
const steel = usualConstruction('steel-acoustic');
const plan = placePlan(steel, { ...WISH, only: [6], upTo: 3 });
const heard = (hz: number): Heard => ({
  hz,
  uncertainty: 0.1,
  inharmonicity: 0,
  seconds: 1,
  glide: null,
  refused: null,
});
const clear = { amount: 0.02, doubt: 0.01 };
const rattle = { amount: 0.97, doubt: 0.02 };
const at = (held: number) => plan.places[held]?.hz ?? 0;
const after = (round: PlaceRound) => [placeNow(round)?.held ?? null, round.last?.kind] as const;

test('goes through every string, open and at every fret, in the shop’s order', () => {
  const all = placePlan(steel, { ...WISH, upTo: 2 }).places.map((p) => [p.string, p.held]);
  expect(all).toHaveLength(18);
  expect(all.slice(0, 4)).toEqual([
    [6, 0],
    [6, 1],
    [6, 2],
    [5, 0],
  ]);
  expect(placePlan(steel, { ...WISH, firstString: 'highest', upTo: 99 }).places).toHaveLength(
    6 * steel.frets,
  );
  expect(placePlan(steel, { ...WISH, only: [1], upTo: 12 }).places[12]?.hz).toBeCloseTo(659.26, 1);
});

test('a place that is clear or buzzes is done, one that is played out of turn counts where it is', () => {
  let round = hearPlayed(beginPlaces(plan), heard(at(0)), clear);
  expect(after(round)).toEqual([1, 'heard']);
  round = hearPlayed(round, heard(at(2) * 1.01), rattle);
  expect(after(round)).toEqual([1, 'heard']);
  expect(sayPlaceOutcome(round.last ?? { kind: 'knocked' })).toContain('6 E at 2: buzzes (0.97');
  round = hearPlayed(round, heard(at(1)), clear);
  expect(after(round)).toEqual([3, 'heard']);
  round = hearPlayed(round, heard(at(3)), clear);
  expect(placeNow(round)).toBeNull();
  expect(round.amounts).toEqual([0.02, 0.02, 0.97, 0.02]);
  expect(hearPlayed(round, heard(at(0)), rattle)).toBe(round);
});

test('what can’t be told, another string and a doubtful pluck count nothing; three doubtful ones are their mean', () => {
  let round = hearPlayed(beginPlaces(plan), heard(at(0)), null);
  expect(after(round)).toEqual([0, 'not-told']);
  round = hearPlayed(round, heard(110), clear);
  expect(after(round)).toEqual([0, 'refused']);
  round = hearPlayed(round, { ...heard(0), hz: null, refused: 'damped' }, null);
  expect(round.last).toEqual({ kind: 'refused', why: 'damped' });
  for (const amount of [0.4, 0.5]) {
    round = hearPlayed(round, heard(at(0)), { amount, doubt: 0.3 });
    expect(after(round)).toEqual([0, 'unsure']);
  }
  round = hearPlayed(round, heard(at(0)), { amount: 0.7, doubt: 0.3 });
  expect(round.amounts[0]).toBeCloseTo((0.4 + 0.5 + 0.7) / 3);
});

test('again takes the last place back, skip leaves one out', () => {
  let round = hearPlayed(beginPlaces(plan), heard(at(0)), rattle);
  round = playAgain(round);
  expect([placeNow(round)?.held, round.amounts[0]]).toEqual([0, null]);
  round = skipPlace(round);
  expect(after(round)).toEqual([1, 'skipped']);
  expect(sayPlace({ held: 0, partner: null })).toBe('pluck it open');
  // Out of turn, it is that place which is played once more.
  round = playAgain(hearPlayed(beginPlaces(plan), heard(at(2)), rattle));
  expect([placeNow(round)?.held, round.amounts[2]]).toEqual([2, null]);
  const [pair] = placePlan(usualConstruction('twelve-string'), { ...WISH, upTo: 3 }).places;
  expect(pair && sayPlace(pair)).toBe('pluck it open, alone: keep 6b quiet');
});

test('a string that is played place by place is heard clear, and where it buzzes', () => {
  const every = 1.25;
  const played = plan.places.map((p) => ({ hz: p.hz, buzzes: p.held === 2 }));
  const { samples, rate } = soundOf(played, 44_100, 2e-5, every);
  const listening = listenPlaces(plan, rate);
  for (let from = 0; from < samples.length; from += 4096) listening.push(samples.slice(from, from + 4096));
  const { amounts } = listening.round();
  expect(amounts.map((a) => (a ?? 0.5) > 0.5)).toEqual([false, false, true, false]);
  expect(listening.say('stop')).toMatchObject([{ stopped: true }]);
});

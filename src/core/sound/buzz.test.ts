import { KINDS } from '../instrument/kinds.ts';
import { breath, LONG } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { handFor, mapOfNeck } from '../whatif/clearance-map.ts';
import { consequences } from '../whatif/consequences.ts';
import { NO_MOVES } from '../whatif/moves.ts';
import { atItsAims } from '../whatif/pluck-reach.ts';
import { soundingPlace } from '../whatif/sounding.ts';
import { buzzOf, type Buzz } from './buzz.ts';
import { hear } from './hear.ts';
import { addHum, addNoise, addPluck, normal, pluckSound, strength, type Pluck } from './pluck-for-tests.ts';
import { stringSound } from './string-motion.ts';
import type { Sound } from './wav.ts';

const RATE = 44_100;
/** saddle per 12th */
const RATIO = 1.65;
/** Nearer than that to touching it is neither, mm; and it buzzes where it still touches after a moment, s. */
const MARGIN = 0.06;
const MOMENT = 0.015;
const STILL_TOUCHES = 1e-3;
const STRINGS: readonly Pluck[] = [
  { f0: 41.203, b: 9e-5, rings: 5, fundamental: 0.3 },
  { f0: 82.407, b: 6e-5 },
  { f0: 110, b: 5e-5 },
  { f0: 195.998, b: 3e-4 },
  { f0: 246.942, b: 6e-5, glide: 6 },
  { f0: 329.628, b: 2e-5 },
  { f0: 391.995, b: 1e-4, rings: 1 },
];
function heardBuzz(sound: Sound, f0: number): Buzz | null {
  const { hz, inharmonicity } = hear(sound, { hz: [f0], within: 80 });
  return hz === null || inharmonicity === null ? null : buzzOf(sound, { hz, inharmonicity });
}

/** Bursts of noise, one a swing, as loud as the string is at that moment: a fret that is touched again and again. */
function addBursts({ samples }: Sound, f0: number, part: number, lasts: number, seed = 3): void {
  const gauss = normal(seeded(seed));
  const level = part * strength(samples);
  const period = RATE / f0;
  for (let i = 0; i < samples.length; i++) {
    const phase = (i % period) / period;
    if (phase < 0.15)
      samples[i] =
        (samples[i] as number) + level * gauss() * Math.exp(-i / RATE / lasts) * Math.sqrt(1 / 0.15);
  }
}

const made = (p: Pluck, seed: number, decibels = 40): Sound => {
  const sound = pluckSound(p, 0.9, RATE, seed);
  addNoise(sound, decibels, seed + 1);
  return sound;
};

/** Those that are made to buzz: all of them by `--long`, all but the lowest. */
const SOME = STRINGS.slice(1).filter((_, i) => LONG || i % 3 === 0);

test('a string that rings clear is none, also with a glide, with noise and with hum', async () => {
  for (const [k, p] of STRINGS.entries())
    for (const decibels of LONG ? [60, 40, 25] : [[60, 40, 25][k % 3] ?? 40]) {
      await breath();
      const sound = made({ ...p, at: 0.1 + 0.03 * k }, 10 * k + decibels, decibels);
      if (decibels === 40) addHum(sound, 0.004);
      const buzz = heardBuzz(sound, p.f0);
      expect(buzz?.amount, `${p.f0} Hz at ${decibels} dB`).toBeLessThan(0.4);
    }
});

test('a string that beats in itself, as real ones do, is no buzz', async () => {
  for (const [k, p] of STRINGS.entries())
    for (const cents of LONG ? [0.8, 2, 5] : [[0.8, 2, 5][k % 3] ?? 2]) {
      await breath();
      const sound = made(p, 5, 45);
      // Its other plane: a little sharper, nearly as loud, and longer.
      const other = { ...p, f0: p.f0 * 2 ** (cents / 1200), level: 0.17, rings: 1.6 * (p.rings ?? 2.2) };
      addPluck(sound.samples, RATE, other, 0, 6);
      const buzz = heardBuzz(sound, p.f0);
      if (buzz !== null) expect(buzz.amount, `${p.f0} Hz beating by ${cents}`).toBeLessThan(0.5);
    }
});

test('bursts locked to the swing are a buzz, louder ones more of it', async () => {
  for (const p of SOME) {
    await breath();
    const amounts = [0, 0.05, 0.15, 0.5].map((part) => {
      const sound = made(p, 7, 45);
      if (part > 0) addBursts(sound, p.f0, part, 0.25);
      return heardBuzz(sound, p.f0)?.amount ?? NaN;
    });
    expect(amounts[3], `${p.f0} Hz: ${amounts.map((a) => a.toFixed(2)).join(' ')}`).toBeGreaterThan(0.8);
    expect(amounts[0]).toBeLessThan(0.3);
    for (let i = 1; i < amounts.length; i++) expect(amounts[i]).toBeGreaterThan((amounts[i - 1] ?? 0) - 0.05);
  }
});

test('a rattle that outlasts the pluck is a buzz', async () => {
  for (const p of SOME) {
    await breath();
    const sound = made(p, 11, 45);
    addBursts(sound, p.f0, 0.5, 2);
    expect(heardBuzz(sound, p.f0)?.amount, `${p.f0} Hz`).toBeGreaterThan(0.5);
  }
});

test('with another string ringing along, or with hardly a string over the noise, nothing is said', () => {
  const sound = made({ f0: 110, b: 5e-5 }, 5);
  addPluck(sound.samples, RATE, { f0: 146.832, b: 8e-5, level: 0.1 });
  expect(heardBuzz(sound, 110)).toBeNull();
  expect(buzzOf(made({ f0: 110 }, 5, -30), { hz: 110, inharmonicity: 0 })).toBeNull();
  expect(buzzOf({ rate: RATE, samples: new Float32Array(RATE) }, { hz: 110, inharmonicity: 0 })).toBeNull();
});

/** How many simulated places are told apart: more of them by `--long`. */
const PLACES = LONG ? 200 : 4;

test('simulated places that touch on and on and places that touch nothing are told apart', async () => {
  const random = seeded(4);
  let [right, told] = [0, 0];
  while (told < PLACES) {
    await breath();
    const { buzzes, sound, f0 } = simulatedPlace(random) ?? {};
    if (!sound || f0 === undefined) continue;
    addNoise(sound, 40, told + 1);
    const buzz = heardBuzz(sound, f0);
    told++;
    if (buzz !== null && buzz.amount > 0.5 === buzzes) right++;
  }
  expect(told - right).toBeLessThanOrEqual(Math.max(1, 0.03 * told));
});

/** A place of a neck as low as it comes; null within the margin: it touches for a moment only, or nearly. */
function simulatedPlace(random: () => number) {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  const touch = pick(['light', 'medium', 'heavy'] as const);
  const { model } = atItsAims(pick(KINDS), touch);
  const by = (random() - 0.7) * 1.5;
  const m = { ...model, action: model.action.map((a) => a + by) };
  const usual = handFor(m, touch);
  const hand = { ...usual, force: usual.force * (0.7 + 0.8 * random()) };
  const o = consequences(m, NO_MOVES, RATIO);
  const [index, held] = [Math.floor(random() * m.strings.length), Math.floor(random() * 13)];
  const margin = mapOfNeck(m, o, hand)[index]?.margin[held] ?? 0;
  if (Math.abs(margin) < MARGIN) return null;
  const { string, by: pluck } = soundingPlace(m, o, NO_MOVES, index, held, hand);
  const touchedFor = (seconds: number) => {
    const s = stringSound(string, pluck, { rate: RATE, seconds });
    return { samples: s.samples, sum: s.touched.reduce((a, b) => a + b, 0) };
  };
  const brief = touchedFor(MOMENT).sum;
  const { samples, sum } = touchedFor(0.8);
  if (sum > 0 && sum - brief < STILL_TOUCHES) return null;
  const loudest = samples.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
  const f0 = (500 / string.length) * Math.sqrt(string.tension / string.mass);
  return { buzzes: sum > 0, sound: { rate: RATE, samples: samples.map((x) => x / loudest / 2) }, f0 };
}

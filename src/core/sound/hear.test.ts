import { breath, LONG } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { ANY_PITCH, hear, USUAL_REACH } from './hear.ts';
import { centsFrom } from './note-of.ts';
import {
  addHum,
  addNoise,
  addPluck,
  firstPartial,
  normal,
  pluckSound,
  strength,
  type Pluck,
} from './pluck-for-tests.ts';
import type { Sound } from './wav.ts';

/** Strings from a bass's low B to a ukulele's top, open and at the octave. */
const STRINGS: readonly Pluck[] = [
  { f0: 30.868, b: 1.2e-4, rings: 5, fundamental: 0.3 },
  { f0: 41.203, b: 9e-5, rings: 5, fundamental: 0.3 },
  { f0: 73.416, b: 1.1e-4, rings: 4 },
  { f0: 82.407, b: 6e-5 },
  { f0: 110, b: 5e-5 },
  { f0: 146.832, b: 8e-5 },
  { f0: 195.998, b: 3e-4 },
  { f0: 246.942, b: 6e-5 },
  { f0: 329.628, b: 2e-5 },
  { f0: 391.995, b: 1e-4, rings: 1 },
  { f0: 440, b: 5e-5, rings: 0.8 },
  { f0: 659.255, b: 2e-4, rings: 1 },
  { f0: 880, b: 4e-4, rings: 0.7 },
];
const LOW_B: Pluck = { f0: 30.868, b: 1.2e-4, rings: 2, fundamental: 0.3 };
const LOW_D: Pluck = { f0: 36.708, b: 1e-4, rings: 2, fundamental: 0.3 };
const LOW_E: Pluck = { f0: 41.203, b: 9e-5, rings: 2, fundamental: 0.3 };
const DROPPED_D: Pluck = { f0: 73.416, b: 1.1e-4, rings: 2 };
/** Deep strings, how many semitones another one lies over them, and the seed: those that are hard to tell among them. */
const DEEP_PAIRS: readonly (readonly [string: Pluck, semitones: number, seed: number])[] = [
  [LOW_B, 4, 14],
  [LOW_B, 12, 4],
  [LOW_B, 2, 2],
  [LOW_D, -3, 112],
  [LOW_D, -2, 113],
  [LOW_D, -3, 103],
  [LOW_E, -4, 211],
  [LOW_E, -3, 212],
  [LOW_E, -3, 214],
  [LOW_E, -3, 201],
  [LOW_E, 2, 202],
  [LOW_E, 3, 203],
  [LOW_E, 5, 204],
  [DROPPED_D, -7, 511],
];

interface Made {
  readonly pluck: Pluck;
  readonly sound: Sound;
  readonly seed: number;
}

/** Every other string, by `--long` each and twice: mistuned by up to 30 cents, plucked elsewhere each time. */
function plucks(seconds: number, change: Partial<Pluck> = {}): Made[] {
  return STRINGS.flatMap((string, k) =>
    Array.from({ length: LONG ? 2 : (k + 1) % 2 }, (_, i) => {
      const seed = 100 * k + i + 1;
      const random = seeded(seed);
      const pluck: Pluck = {
        ...string,
        f0: string.f0 * 2 ** ((random() - 0.5) / 20),
        at: 0.08 + 0.25 * random(),
        ...change,
      };
      return { pluck, sound: pluckSound(pluck, seconds, 44_100, seed), seed };
    }),
  );
}

/** By how many cents each is heard wrong, and by how many of its own standard deviations. */
async function errors(
  made: readonly Made[],
  expected = false,
): Promise<{ cents: number[]; doubts: number[] }> {
  const cents: number[] = [];
  const doubts: number[] = [];
  for (const { pluck, sound, seed } of made) {
    await breath();
    const truth = firstPartial(pluck);
    const heard = hear(sound, expected ? { hz: [truth], within: USUAL_REACH } : ANY_PITCH);
    expect([seed, pluck.f0, heard.refused]).toEqual([seed, pluck.f0, null]);
    cents.push(Math.abs(centsFrom(heard.hz ?? 1, truth)));
    doubts.push((cents.at(-1) ?? 0) / (heard.uncertainty ?? 1));
  }
  return { cents, doubts };
}

const most = (all: readonly number[]): number => Math.max(...all);
const shareOver = (all: readonly number[], limit: number): number =>
  all.filter((x) => x > limit).length / all.length;

describe('the pitch of a plucked string, from 400 ms of it', () => {
  test('clean: within a fifth of a cent, at once an octave right', async () => {
    expect(most((await errors(plucks(0.4))).cents)).toBeLessThan(0.2);
  });

  test('with noise 20 dB under it: within a cent, and its doubt is honest', async () => {
    const made = plucks(0.4);
    for (const { sound, seed } of made) addNoise(sound, 20, seed);
    const { cents, doubts } = await errors(made);
    expect(most(cents)).toBeLessThan(1);
    expect(shareOver(doubts, 1)).toBeLessThan(0.4);
    expect(shareOver(doubts, 3)).toBeLessThan(0.03);
  });

  test('with noise as loud as itself it says so, or is within its doubt', async () => {
    const made = plucks(0.4);
    for (const { sound, seed } of made) addNoise(sound, 0, seed);
    for (const { pluck, sound } of made) {
      const { hz, uncertainty } = hear(sound);
      if (hz !== null)
        expect(Math.abs(centsFrom(hz, firstPartial(pluck)))).toBeLessThan(5 * (uncertainty ?? 0));
    }
  });

  test.each([
    ['a fourth above', 2 ** (5 / 12)],
    ['a fourth below', 2 ** (-5 / 12)],
    ['a third above', 2 ** (4 / 12)],
    ['two semitones above', 2 ** (2 / 12)],
  ])('with a second string ringing, %s: within two cents', async (_, by) => {
    const made = plucks(0.4, { rings: 2 });
    for (const { pluck, sound, seed } of made)
      addPluck(sound.samples, sound.rate, { f0: pluck.f0 * by * 1.003, b: 9e-5, level: 0.1 }, 0, seed + 5);
    expect(most((await errors(made, true)).cents)).toBeLessThan(2);
  });

  test('two deep strings, as near to each other as strings of an instrument are: within half a cent', async () => {
    const cents: number[] = [];
    for (const [string, semitones, seed] of DEEP_PAIRS) {
      await breath();
      const random = seeded(seed);
      const pluck = { ...string, f0: string.f0 * 2 ** ((random() - 0.5) / 20), at: 0.08 + 0.25 * random() };
      const sound = pluckSound(pluck, 0.4, 44_100, seed);
      const other = { f0: pluck.f0 * 2 ** (semitones / 12) * 1.003, b: 9e-5, level: 0.1 };
      addPluck(sound.samples, sound.rate, other, 0, seed + 5);
      const truth = firstPartial(pluck);
      const heard = hear(sound, { hz: [truth], within: USUAL_REACH });
      expect([semitones, seed, heard.refused]).toEqual([semitones, seed, null]);
      cents.push(Math.abs(centsFrom(heard.hz ?? 1, truth)));
    }
    expect(most(cents)).toBeLessThan(0.5);
  });

  test('a hard pluck beside another string: where it settles, and no fall is heard that is none', async () => {
    for (const [k, f0] of [82.407, 110, 146.832].entries())
      for (const glide of [0, 12]) {
        await breath();
        const sound = pluckSound({ f0, b: 7e-5, glide, settles: 0.12 }, 0.9, 44_100, 40 + k);
        addPluck(sound.samples, sound.rate, { f0: f0 * 1.338, b: 9e-5, level: 0.1 }, 0, 50 + k);
        const heard = hear(sound, { hz: [f0], within: USUAL_REACH });
        const off = Math.abs(centsFrom(heard.hz ?? 1, firstPartial({ f0, b: 7e-5 })));
        expect(off, `${f0} Hz, ${glide} cents`).toBeLessThan(glide === 0 ? 0.3 : 1.5);
        expect(heard.glide === null, `${f0} Hz, ${glide} cents`).toBe(glide === 0);
      }
  });

  test.each([50, 60])('with mains hum of %i Hz: within two cents', async (mains) => {
    const made = plucks(0.4);
    for (const { sound } of made) addHum(sound, 0.04, mains);
    expect(most((await errors(made, true)).cents)).toBeLessThan(2);
  });

  test('partials that lie a little off, as on wood: the doubt covers it', async () => {
    const { cents, doubts } = await errors(plucks(0.5, { off: 0.3 }));
    expect(most(cents)).toBeLessThan(0.6);
    expect(shareOver(doubts, 3)).toBeLessThan(0.06);
  });
});

test.each([
  ['plucked in the middle, every second partial missing', { at: 0.5 }],
  ['with next to no first partial', { fundamental: 0.01 }],
  ['as stiff as a short thick one', { b: 1.2e-3 }],
  ['that dies away soon', { rings: 0.4 }],
])('a string %s is no octave wrong', async (_, change) => {
  expect(most((await errors(plucks(0.5, change))).cents)).toBeLessThan(0.3);
});

test('the twelfth-fret harmonic is heard an octave up, a fifth harmonic two', async () => {
  for (const { f0, b = 0 } of STRINGS.slice(0, 9)) {
    // Only every second partial rings: a string of half the length.
    const half: Pluck = { f0: 2 * f0, b: 4 * b, at: 0.3 };
    expect(Math.abs(centsFrom(hear(pluckSound(half, 0.5)).hz ?? 1, firstPartial(half)))).toBeLessThan(0.3);
  }
});

test('after a hard pluck the pitch falls: what is said is where it settles', async () => {
  for (const seconds of [1, 0.5]) {
    const made = plucks(seconds, { glide: 8, settles: 0.15, rings: 2.5 }).filter((_, i) => i % 2 === 0);
    const { cents, doubts } = await errors(made);
    expect(most(cents)).toBeLessThan(1.5);
    expect(shareOver(doubts, 3)).toBeLessThan(0.1);
  }
  const hard: Pluck = { f0: 110, b: 6e-5, glide: 8, settles: 0.15 };
  expect(hear(pluckSound(hard, 1)).glide).toBeGreaterThan(2);
  expect(hear(pluckSound({ ...hard, glide: 0 }, 1)).glide).toBeNull();
});

test('at other rates, and wherever in the sound it begins, it is the same pitch', async () => {
  for (const rate of [22_050, 48_000, 96_000])
    for (const f0 of [41.2, 110, 440]) {
      const pluck: Pluck = { f0, b: 8e-5 };
      const heard = hear(pluckSound(pluck, 1.1, rate, 3, 0.4));
      expect(Math.abs(centsFrom(heard.hz ?? 1, firstPartial(pluck)))).toBeLessThan(0.2);
    }
});

const WRONG = LONG ? 1000 : 40;
test(`a wrong string is never taken for the one that is awaited: ${WRONG} of them`, async () => {
  const tunings = [
    [82.407, 110, 146.832, 195.998, 246.942, 329.628],
    [30.868, 41.203, 55, 73.416, 97.999],
    [391.995, 261.626, 329.628, 440],
    [73.416, 110, 146.832, 195.998, 220, 293.665],
  ];
  const random = seeded(11);
  let taken = 0;
  for (let i = 0; i < WRONG; i++) {
    const tuning = tunings[i % tunings.length] ?? [];
    const at = Math.floor(random() * tuning.length);
    const played = tuning[at] ?? 0;
    const awaited = tuning[(at + 1 + Math.floor(random() * (tuning.length - 1))) % tuning.length] ?? 0;
    const f0 = played * 2 ** ((random() - 0.5) / 20);
    const sound = pluckSound({ f0, b: 8e-5, at: 0.1 + 0.2 * random(), rings: 1.5 }, 0.3, 22_050, i + 1);
    addNoise(sound, 20, i + 1);
    await breath();
    if (hear(sound, { hz: [awaited], within: USUAL_REACH }).refused === null) taken++;
  }
  expect(taken).toBe(0);
});

describe('what is no note', () => {
  const rate = 44_100;
  const noise = (level: number): Sound => {
    const gauss = normal(seeded(5));
    return { rate, samples: Float32Array.from({ length: rate }, () => level * gauss()) };
  };
  test('silence, nothing at all, and too little', async () => {
    expect(hear({ rate, samples: new Float32Array(rate) }).refused).toBe('silent');
    expect(hear(pluckSound({ f0: 110 }, 0.06)).refused).toBe('too-short');
  });
  test('noise, loud and soft', async () => {
    for (const level of [0.3, 0.003]) expect(hear(noise(level)).refused).toBe('too-noisy');
  });
  test('a door that slams', async () => {
    const sound = noise(0.0005);
    const gauss = normal(seeded(9));
    for (let i = 8000; i < 20_000; i++)
      sound.samples[i] = (sound.samples[i] as number) + 0.5 * gauss() * Math.exp(-(i - 8000) / 1200);
    expect(hear(sound).refused).not.toBeNull();
  });
  test('a string with a hand on it', async () => {
    expect(hear(pluckSound({ f0: 110, rings: 0.07 }, 0.5)).refused).toBe('damped');
  });
  test('tops that are cut off', async () => {
    const sound = pluckSound({ f0: 110, level: 1 }, 0.5);
    const limit = 0.9 * strength(sound.samples);
    const cut = sound.samples.map((x) => Math.max(-limit, Math.min(limit, x)));
    expect(hear({ rate, samples: cut }).refused).toBe('clipped');
  });
});

test('an octave over what is awaited is not it, whatever other string rings along', async () => {
  for (const awaited of [41.203, 55, 82.407])
    for (const other of [0.75, 1.125, 1.335, 1.5, 2.6666, 3]) {
      await breath();
      const sound = pluckSound({ f0: 2 * awaited, b: 3e-4, rings: 2 }, 0.5, 44_100, Math.round(100 * other));
      addPluck(sound.samples, sound.rate, { f0: awaited * other, b: 9e-5, level: 0.25 }, 0, 7);
      expect([awaited, other, hear(sound, { hz: [awaited], within: USUAL_REACH }).refused]).not.toEqual([
        awaited,
        other,
        null,
      ]);
    }
});

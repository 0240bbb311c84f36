import { buzzOf } from './buzz.ts';
import { hear } from './hear.ts';
import { addNoise, pluckSound } from './pluck-for-tests.ts';
import { rattling } from './rattle.ts';

const RATE = 44_100;
const NOTES = [82.407, 110, 146.832, 195.998, 246.942, 329.628] as const;

function buzz(samples: Float32Array, f0: number): number | undefined {
  const sound = { rate: RATE, samples };
  const { hz, inharmonicity } = hear(sound, { hz: [f0], within: 80 });
  return hz === null || inharmonicity === null ? undefined : buzzOf(sound, { hz, inharmonicity })?.amount;
}

const note = (f0: number): Float32Array => {
  const sound = pluckSound({ f0, b: 6e-5 }, 0.9, RATE, Math.round(f0));
  addNoise(sound, 50, 3);
  return sound.samples;
};

test.each(NOTES)('what rattles along with %f Hz is heard as a buzz, the note alone is not', (f0) => {
  const alone = note(f0);
  expect(buzz(alone, f0)).toBeLessThan(0.5);
  expect(buzz(rattling(alone, RATE, f0), f0)).toBeGreaterThan(0.5);
});

test('it ends when the note is too weak to lift it; the same note rattles the same; what was given stays', () => {
  const alone = Float32Array.from(
    { length: RATE },
    (_, i) => Math.sin((2 * Math.PI * 110 * i) / RATE) * Math.exp((-6 * i) / RATE),
  );
  const before = alone.slice();
  const made = rattling(alone, RATE, 110);
  expect(alone).toEqual(before);
  expect(rattling(alone, RATE, 110)).toEqual(made);
  const differs = [...made.keys()].filter((i) => made[i] !== alone[i]);
  expect(differs[0]).toBeLessThan(RATE / 110);
  // From e^(−6·t) = 0.12 on it is weaker than what lifts it: at 0.353 s, and a moment more for the loudness to be forgotten.
  const last = (differs.at(-1) ?? 0) / RATE;
  expect(last).toBeGreaterThan(0.3);
  expect(last).toBeLessThan(0.45);
});

test('silence rattles nothing', () => {
  expect(rattling(new Float32Array(1000), RATE, 110)).toEqual(new Float32Array(1000));
});

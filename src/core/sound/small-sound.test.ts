import { hear } from './hear.ts';
import { centsFrom } from './note-of.ts';
import { firstPartial, pluckSound } from './pluck-for-tests.ts';
import { smallSound } from './small-sound.ts';
import { readWav, writeWav } from './wav.ts';

test.each([44_100, 48_000, 96_000, 22_050])(
  'of %i samples a second it is small, and its pitch is what it was',
  (rate) => {
    const pluck = { f0: 110, b: 8e-5, level: 0.3 };
    const kept = writeWav(smallSound(pluckSound(pluck, 2, rate)));
    expect(kept.length).toBeLessThan(75_000);
    const again = readWav(kept);
    if (!again.ok) throw new Error(again.error);
    expect(again.value.rate).toBeGreaterThanOrEqual(20_000);
    expect(again.value.samples.length / again.value.rate).toBeCloseTo(1.5, 2);
    const heard = hear(again.value);
    expect(Math.abs(centsFrom(heard.hz ?? 1, firstPartial(pluck)))).toBeLessThan(0.2);
  },
);

test('what a lower rate cannot hold is taken out, and does not come back as another tone', () => {
  const rate = 48_000;
  const high = Float32Array.from(
    { length: rate },
    (_, i) => 0.5 * Math.sin((2 * Math.PI * 17_000 * i) / rate),
  );
  const { samples } = smallSound({ rate, samples: high });
  const middle = samples.subarray(1000, samples.length - 1000);
  expect(Math.max(...middle)).toBeLessThan(0.003);
});

test('a file that is written is read back to a part in thirty thousand; what is too loud is cut off', () => {
  const samples = Float32Array.from([0, 0.5, -0.25, 1.5, -2]);
  const again = readWav(writeWav({ rate: 22_050, samples }));
  if (!again.ok) throw new Error(again.error);
  expect(again.value.rate).toBe(22_050);
  [0, 0.5, -0.25, 1, -1].forEach((x, i) => expect(again.value.samples[i]).toBeCloseTo(x, 3));
});

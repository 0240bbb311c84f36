import { seeded } from '../seeded.ts';
import { fft } from './fft.ts';
import { nearestNote } from './note-of.ts';
import { fitTones, shape } from './partials.ts';
import { look } from './partials.ts';
import { normal, pluckSound, wavOf } from './pluck-for-tests.ts';
import { fitSeries } from './series.ts';
import { readWav } from './wav.ts';

test('the transform is the sum it stands for', () => {
  const random = seeded(3);
  const x = Float64Array.from({ length: 64 }, () => random() - 0.5);
  const { re, im } = fft(x, 64);
  for (let k = 0; k < 64; k++) {
    const w = (n: number): number => (-2 * Math.PI * k * n) / 64;
    expect(re[k]).toBeCloseTo(
      x.reduce((s, v, n) => s + v * Math.cos(w(n)), 0),
      10,
    );
    expect(im[k]).toBeCloseTo(
      x.reduce((s, v, n) => s + v * Math.sin(w(n)), 0),
      10,
    );
  }
});

test('the shape of a dying tone under the window is the sum it stands for, and its slope too', () => {
  const [length, size] = [500, 512];
  const sum = (decay: number, angle: number, bin: number): [number, number] => {
    let [re, im] = [0, 0];
    for (let n = 0; n < length; n++) {
      const w = (0.5 - 0.5 * Math.cos((2 * Math.PI * n) / length)) * Math.exp(-decay * n);
      const phase = (angle - (2 * Math.PI * bin) / size) * n;
      re += w * Math.cos(phase);
      im += w * Math.sin(phase);
    }
    return [re, im];
  };
  const out = new Float64Array(4);
  for (const [decay, angle, bin] of [
    [0, 0.3, 24],
    [0.004, 0.31, 26],
    [0.0005, 1.1, 90],
    [0, (2 * Math.PI * 40) / size, 40],
  ] as const) {
    shape(decay, angle, bin, { length, size }, out);
    const [re, im] = sum(decay, angle, bin);
    expect(out[0]).toBeCloseTo(re, 7);
    expect(out[1]).toBeCloseTo(im, 7);
    // By p = −decay + i·angle: along the angle the slope is i times it.
    const h = 1e-6;
    const [aRe, aIm] = sum(decay, angle + h, bin);
    const [bRe, bIm] = sum(decay, angle - h, bin);
    expect(-(out[3] as number)).toBeCloseTo((aRe - bRe) / (2 * h), 2);
    expect(out[2]).toBeCloseTo((aIm - bIm) / (2 * h), 2);
  }
});

test('tones closer than two bins are told apart, with their dying away', () => {
  const rate = 44_100;
  const truth = [
    { hz: 200, decay: 3, level: 0.3 },
    { hz: 206.5, decay: 1, level: 0.1 },
    { hz: 640, decay: 9, level: 0.05 },
  ];
  const samples = Float32Array.from({ length: 17_640 }, (_, i) =>
    truth.reduce(
      (sum, { hz, decay, level }) =>
        sum + level * Math.exp((-decay * i) / rate) * Math.sin((2 * Math.PI * hz * i) / rate + hz),
      0,
    ),
  );
  const angles = truth.map(({ hz }) => (2 * Math.PI * (hz + 0.4)) / rate);
  const tones = fitTones(look(samples), angles, 8);
  tones.forEach((t, i) => {
    expect((t.angle * rate) / (2 * Math.PI)).toBeCloseTo(truth[i]?.hz ?? 0, 1);
    expect(t.decay * rate).toBeCloseTo(truth[i]?.decay ?? 0, 0);
  });
});

test('a series is fitted through its partials; one that is somebody else’s changes nothing', () => {
  const [f0, b] = [110, 2e-4];
  const gauss = normal(seeded(4));
  const partials = Array.from({ length: 14 }, (_, i) => {
    const n = i + 1;
    const hz = n * f0 * Math.sqrt(1 + b * n * n) * 2 ** ((0.05 * gauss()) / 1200);
    return { n, hz, variance: 1e-6 };
  });
  const begin = { f0: 110.1, b: 0 };
  const fitted = fitSeries(partials, begin);
  expect(Math.abs(1200 * Math.log2(fitted.f0 / f0))).toBeLessThan(0.1);
  expect(Math.abs(fitted.b / b - 1)).toBeLessThan(0.02);
  const [first, second, ...rest] = partials;
  if (!first || !second) throw new Error('no partials');
  const other = fitSeries([first, { ...second, hz: second.hz * 1.004 }, ...rest], begin);
  expect(Math.abs(1200 * Math.log2(other.f0 / fitted.f0))).toBeLessThan(0.1);
});

test.each([
  [82.407, 440, 'E2', 0],
  [440, 440, 'A4', 0],
  [432, 432, 'A4', 0],
  [30.868, 440, 'B0', 0],
  [94.5, 440, 'F#2', 37],
  [16.3516, 440, 'C0', 0],
])('%f Hz over A4 = %f is %s', (hz, reference, name, cents) => {
  const note = nearestNote(hz, reference);
  expect(note.name).toBe(name);
  expect(note.cents).toBeCloseTo(cents, -0.3);
});

describe('WAV', () => {
  const sound = pluckSound({ f0: 196 }, 0.1);
  test.each([
    ['pcm', 8, 1 / 100],
    ['pcm', 16, 1e-4],
    ['pcm', 24, 1e-6],
    ['pcm', 32, 1e-6],
    ['float', 32, 1e-7],
    ['float', 64, 1e-7],
  ] as const)('%s of %i bits is read as it was written', (kind, bits, close) => {
    for (const channels of [1, 2]) {
      const read = readWav(wavOf(sound, { kind, bits, channels }));
      if (!read.ok) throw new Error(read.error);
      expect([read.value.rate, read.value.samples.length]).toEqual([sound.rate, sound.samples.length]);
      const off = read.value.samples.reduce(
        (most, x, i) => Math.max(most, Math.abs(x - (sound.samples[i] as number))),
        0,
      );
      expect(off).toBeLessThan(close);
    }
  });

  test('a file that ends early is read as far as it goes; what is none is refused with words', () => {
    const whole = wavOf(sound, { kind: 'pcm', bits: 16, channels: 1 });
    const half = readWav(whole.slice(0, 1044));
    expect(half.ok && half.value.samples.length).toBe(500);
    expect(readWav(whole.slice(0, 44)).ok).toBe(false);
    expect(readWav(new Uint8Array()).ok).toBe(false);
    expect(readWav(new TextEncoder().encode('RIFFxxxxWAVEnothing of it'))).toMatchObject({ ok: false });
    const random = seeded(8);
    for (let i = 0; i < 400; i++) {
      const broken = whole.slice(0, 200);
      for (let k = 0; k < 6; k++) broken[Math.floor(random() * 60)] = Math.floor(random() * 256);
      const read = readWav(broken);
      if (read.ok) expect(read.value.samples.every(Number.isFinite)).toBe(true);
      else expect(read.error).toMatch(/\S/);
    }
  });
});

import { clearance, fretPositions, reliefTops, type ClearanceString } from '../clearance/clearance.ts';
import { LONG } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { hear } from './hear.ts';
import { centsFrom } from './note-of.ts';
import { stringSound, type PluckedBy, type SoundingString } from './string-motion.ts';

const NO_LOSS = { all: 0, high: 0 };
const LOSSES = { all: 1.2, high: 2e-8 };
/** A guitar's low E, open. */
const STRING: SoundingString = {
  length: 648,
  tension: 78,
  mass: 0.00684,
  inharmonicity: 6e-5,
  losses: LOSSES,
  under: [],
};
const PLUCK: PluckedBy = { fromSaddle: 120, force: 2, share: 0.6 };
const firstOf = (s: SoundingString): number =>
  (Math.sqrt(s.tension / s.mass) / (2 * (s.length / 1000))) * Math.sqrt(1 + s.inharmonicity);
/** Frets close under it: it rattles along them. */
const LOW = Array.from({ length: 14 }, (_, i) => ({ at: 60 + 22 * i, gap: 0.25 + 0.01 * i }));

test('without losses every step keeps its energy, also where it hits: to a thousand-millionth', () => {
  let [first, least, most] = [0, Infinity, 0];
  const watch = (joule: number): void => {
    if (first === 0) first = joule;
    least = Math.min(least, joule);
    most = Math.max(most, joule);
  };
  const hit = stringSound({ ...STRING, losses: NO_LOSS, under: LOW }, PLUCK, {
    seconds: 0.15,
    energy: watch,
  });
  expect(Math.max(...hit.touched)).toBeGreaterThan(0.001);
  expect((most - least) / first).toBeLessThan(1e-9);
});

test('with losses no step gains anything', () => {
  let before = Infinity;
  let gained = 0;
  const watch = (joule: number): void => {
    gained = Math.max(gained, (joule - before) / joule);
    before = joule;
  };
  stringSound({ ...STRING, under: LOW }, PLUCK, { seconds: 0.15, energy: watch });
  expect(gained).toBeLessThan(1e-9);
});

test('its pitch and stiffness are those of the closed form, as the ear hears them', () => {
  for (const s of [
    STRING,
    { ...STRING, length: 324, inharmonicity: 2.4e-4 },
    { ...STRING, length: 864, tension: 170, mass: 0.034, inharmonicity: 1.5e-4 },
  ]) {
    const { samples } = stringSound(s, PLUCK, { seconds: 0.6 });
    const loud = samples.map((x) => x / 12);
    const heard = hear({ rate: 44_100, samples: loud });
    expect(Math.abs(centsFrom(heard.hz ?? 1, firstOf(s)))).toBeLessThan(0.1);
    expect((heard.inharmonicity ?? 0) / s.inharmonicity).toBeCloseTo(1, 1);
  }
});

test('what touches nothing swings as if nothing were there, to the last digit', () => {
  const free = stringSound(STRING, PLUCK, { seconds: 0.1 });
  const far = stringSound({ ...STRING, under: [{ at: 130, gap: 30 }] }, PLUCK, { seconds: 0.1 });
  expect(far.touched).toEqual([0]);
  expect(far.samples).toEqual(free.samples);
  // The sum of its modes, each a dying cosine.
  const two = stringSound({ ...STRING, losses: NO_LOSS }, { ...PLUCK, share: 1 }, { seconds: 0.05 });
  const [length, p] = [0.648, 0.12];
  const depth = (PLUCK.force * p * (length - p)) / (STRING.tension * length);
  const part = (length - p) / length;
  const force = (i: number): number => {
    let sum = 0;
    for (let k = 1; k <= 360; k++) {
      const hz = ((k * firstOf(STRING)) / Math.sqrt(1 + 6e-5)) * Math.sqrt(1 + 6e-5 * k * k);
      if (hz >= 0.42 * 44_100) break;
      const corner = (2 * Math.sin(k * Math.PI * part)) / ((k * Math.PI) ** 2 * part * (1 - part));
      const shape = depth * corner * Math.exp(-0.5 * ((k * Math.PI * 0.002) / length) ** 2);
      const slope = (STRING.tension * k * Math.PI * (k % 2 === 1 ? 1 : -1)) / length;
      sum += slope * shape * Math.cos((2 * Math.PI * hz * i) / 44_100);
    }
    return sum;
  };
  for (const i of [0, 1, 57, 700, 2000]) expect(two.samples[i]).toBeCloseTo(force(i), 5);
});

test('finer steps come to the same: how long it touches hardly changes', () => {
  const under = [{ at: 200, gap: 0.4 }];
  const at = (rate: number): number =>
    stringSound({ ...STRING, under }, PLUCK, { seconds: 0.12, rate }).touched[0] ?? 0;
  const [coarse, middle, fine] = [at(44_100), at(88_200), at(176_400)];
  expect(Math.abs(middle - fine)).toBeLessThan(0.12 * fine);
  expect(Math.abs(coarse - fine)).toBeLessThan(0.3 * fine);
});

test('the clearance map and the motion agree on what is clear and what buzzes, outside a narrow margin', () => {
  const random = seeded(21);
  const [scale, frets] = [648, 20];
  const x = fretPositions(scale, frets);
  let [asked, wrong] = [0, 0];
  for (let i = 0; i < (LONG ? 60 : 24); i++) {
    const neck: ClearanceString = {
      scale,
      compensation: 3,
      frets,
      nut: 0.5 + 0.4 * random(),
      saddle: 2.2 + 2.4 * random(),
      tops: reliefTops(scale, frets, { low: 1, high: 14, max: 0.35 * random() }),
      tension: 78,
      force: 1 + 1.6 * random(),
      share: 0.55,
      pluck: 100 + 60 * random(),
    };
    const held = Math.floor(random() * 9);
    const map = clearance(neck, x);
    const margin = map.margin[held] ?? 0;
    if (Math.abs(margin) < 0.06) continue;
    asked++;
    const from = x[held] ?? 0;
    const length = scale + 3 - from;
    const height = held === 0 ? neck.nut : (neck.tops[held] ?? 0);
    const under = Array.from({ length: frets - held }, (_, k) => {
      const n = held + 1 + k;
      const at = (x[n] ?? 0) - from;
      return { at, gap: height + ((neck.saddle - height) * at) / length - (neck.tops[n] ?? 0) };
    });
    const s: SoundingString = { ...STRING, length, inharmonicity: 2e-5, losses: LOSSES, under };
    const { touched } = stringSound(
      s,
      { fromSaddle: neck.pluck, force: neck.force, share: 0.55 },
      { seconds: 0.03 },
    );
    if (Math.max(...touched) > 0 !== margin < 0) wrong++;
  }
  expect(asked).toBeGreaterThan(LONG ? 30 : 12);
  expect(wrong).toBeLessThanOrEqual(Math.floor(0.03 * asked));
});

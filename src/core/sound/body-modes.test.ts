import { wolfPlaces } from '../ear/wolf.ts';
import { listenBody, ENOUGH_KNOCKS } from '../ear/listening-body.ts';
import { sayModePitch, sayModeRing, sayWolf } from '../ear/say-body.ts';
import { placePlan } from '../ear/place-round.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { seeded } from '../seeded.ts';
import { bodyModes, knocksIn } from './body-modes.ts';
import { addPluck, normal } from './pluck-for-tests.ts';
import { soundPicture } from './sound-picture.ts';

const RATE = 44_100;
/** Hz, s to a thousandth, how strong */
type Mode = readonly [hz: number, rings: number, size: number];

/** A body that is knocked on again and again: each of its resonances dies away by itself, a finger's thud before them. */
function knocked(modes: readonly Mode[], times: number, noise = 0.002, seed = 1, every = 0.7) {
  const [random, gauss] = [seeded(seed), normal(seeded(seed + 1))];
  const samples = new Float32Array(Math.round((0.4 + times * every) * RATE));
  for (let t = 0; t < times; t++) {
    const from = Math.round((0.2 + t * every) * RATE);
    const hard = 0.3 + 0.2 * random();
    const parts = modes.map(([, , size]) => size * (0.8 + 0.4 * random()));
    for (let i = from; i < samples.length && i < from + 0.65 * RATE; i++) {
      const s = (i - from) / RATE;
      const thud = 0.4 * gauss() * Math.exp(-s / 0.003);
      const ring = modes.reduce(
        (sum, [hz, rings], m) =>
          sum + (parts[m] ?? 0) * Math.exp((-Math.log(1000) * s) / rings) * Math.sin(2 * Math.PI * hz * s),
        0,
      );
      samples[i] = (samples[i] as number) + hard * (thud + ring);
    }
  }
  for (let i = 0; i < samples.length; i++) samples[i] = (samples[i] as number) + noise * gauss();
  return { rate: RATE, samples };
}

const GUITAR: readonly Mode[] = [
  [102, 0.7, 1],
  [198, 0.42, 0.8],
  [231, 0.35, 0.5],
  [391, 0.3, 0.4],
];

test.each([
  ['a flat-top', GUITAR],
  ['a small body', [[188, 0.4, 1] as Mode, [371, 0.3, 0.7] as Mode, [520, 0.22, 0.4] as Mode]],
  ['a bass that hardly resonates', [[68, 0.9, 1] as Mode]],
])('resonances of %s are found with their pitch and how long they ring', (_, truth) => {
  const { modes, knocks } = bodyModes(knocked(truth, 5));
  expect(knocks).toBe(5);
  for (const [hz, rings] of truth) {
    const found = modes.find((m) => Math.abs(m.hz / hz - 1) < 0.01);
    expect(found, `${hz} Hz among ${modes.map((m) => m.hz.toFixed(1)).join(' ')}`).toBeDefined();
    expect((found?.rings ?? 0) / rings).toBeGreaterThan(0.75);
    expect((found?.rings ?? 0) / rings).toBeLessThan(1.33);
  }
  // What else is said is soft.
  for (const m of modes)
    if (!truth.some(([hz]) => Math.abs(m.hz / hz - 1) < 0.03)) expect(m.level).toBeLessThan(-15);
});

test('knocks are counted, a room that only hisses has none', () => {
  expect(knocksIn(knocked(GUITAR, 3)).map((k) => Math.round(k / RATE / 0.05))).toEqual([4, 18, 32]);
  const gauss = normal(seeded(5));
  const hiss = { rate: RATE, samples: Float32Array.from({ length: RATE }, () => 0.01 * gauss()) };
  expect(knocksIn(hiss)).toEqual([]);
  expect(bodyModes(hiss)).toEqual({ modes: [], knocks: 0 });
  expect(bodyModes({ rate: RATE, samples: new Float32Array(RATE) }).modes).toEqual([]);
});

test('a string that rings along is no resonance of the body', () => {
  const sound = knocked(GUITAR, 4);
  addPluck(sound.samples, RATE, { f0: 147, level: 0.05, rings: 4 });
  const { modes } = bodyModes(sound);
  expect(modes.some((m) => Math.abs(m.hz / 147 - 1) < 0.01)).toBe(false);
  expect(modes.some((m) => Math.abs(m.hz / 102 - 1) < 0.01)).toBe(true);
});

test('a strong resonance on a note is named with its places, a soft one and one between two notes are not', () => {
  const { places } = placePlan(usualConstruction('steel-acoustic'), {
    tuning: '',
    pitch: 440,
    firstString: 'lowest',
    only: null,
    upTo: 12,
  });
  const mode = { doubt: null, rings: 0.5, knocks: 5 };
  const wolf = wolfPlaces(
    [
      { ...mode, hz: 103.8, level: 0 },
      { ...mode, hz: 207.6, level: -20 },
      { ...mode, hz: 106.9, level: -3 },
    ],
    places,
  );
  expect(wolf.map((w) => [w.place.string, w.place.held])).toEqual([[6, 4]]);
  expect(wolf[0]?.off).toBeCloseTo(0, 0);
  const g = { ...mode, hz: 198, level: -2, doubt: 0.3 };
  expect(sayWolf(g, wolfPlaces([g], places))).toBe('18 cents over the note of 5 A at 10, 4 D at 5, 3 G open');
  expect(sayWolf(g, wolf)).toBeNull();
  expect(sayModePitch(g, 440)).toBe('198.0 ± 0.3 Hz, near G3');
  expect(sayModeRing(g)).toBe('2 dB under it, rings 0.5 s');
});

test('a picture has each resonance at its height, from the knock on, and falls silent', () => {
  const picture = soundPicture(knocked([[400, 0.3, 1]], 1, 0), 900, 200);
  const { rows, columns, step, every, levels } = picture;
  const row = Math.round(400 / step);
  const at = (s: number, r: number): number =>
    levels[Math.min(columns - 1, Math.round(s / every)) * rows + r] ?? -1;
  expect(levels).toHaveLength(rows * columns);
  expect(at(0.25, row)).toBeGreaterThan(200);
  expect(at(0.25, row)).toBeGreaterThan(at(0.25, Math.round(700 / step)) + 60);
  expect(at(0.05, row)).toBe(0);
  expect(at(0.25, row) - at(0.4, row)).toBeGreaterThan(60);
});

test('listening counts the knocks, is through by itself, begins again and stops', () => {
  const sound = knocked(GUITAR, ENOUGH_KNOCKS + 1, 0.002, 4);
  const ear = listenBody(RATE);
  const said = [];
  for (let i = 0; i < sound.samples.length; i += 4096)
    said.push(...ear.push(sound.samples.slice(i, i + 4096)));
  expect(said.map((s) => s.knocks)).toEqual([1, 2, 3, 4, 5, 5]);
  expect(said.at(-1)?.heard?.modes.length).toBeGreaterThan(3);
  const other = listenBody(RATE);
  other.push(sound.samples.slice(0, RATE));
  expect(other.say('again')[0]).toMatchObject({ knocks: 0, heard: null, stopped: false });
  expect(other.say('stop')[0]).toMatchObject({ knocks: 0, heard: null, stopped: true });
  const early = listenBody(RATE);
  early.push(sound.samples.slice(0, 0.8 * RATE));
  expect(early.say('stop')[0]?.heard?.knocks).toBe(1);
});

import type { Hz } from '../units/unit-types.ts';
import { peaksOf } from './candidates.ts';
import { fitTones, look } from './partials.ts';
import type { Sound } from './wav.ts';

/** One resonance of a body, as its knocks tell it. */
export interface BodyMode {
  readonly hz: Hz;
  /** how far that differs from knock to knock, one standard deviation, Hz; null where one knock alone told it */
  readonly doubt: Hz | null;
  /** how long it rings, s to a thousandth of its power (60 dB) */
  readonly rings: number;
  /** against the loudest, decibels */
  readonly level: number;
  /** knocks that told it */
  readonly knocks: number;
}

/** What the knocks on a body say. */
export interface BodyModes {
  /** the lowest first */
  readonly modes: readonly BodyMode[];
  readonly knocks: number;
}

/** Where bodies of this size resonate, Hz. */
export const LOWEST_MODE = 55;
export const HIGHEST_MODE = 900;
/** What is looked at of a knock, s. */
const LOOKED_S = 0.3;
/** A knock begins where it is so much louder than shortly before, and as loud as that part of the loudest. */
const STEP_S = 0.005;
const RISES = 3;
const PART_OF_LOUDEST = 0.2;
const APART_S = 0.25;
const MOST_KNOCKS = 8;
/** Softer than the loudest by more than that tells nothing, dB. */
const SOFTEST = -34;
/** What rings longer is a string or hum; what dies sooner is the finger, s to a thousandth. */
const LONGEST_S = 2;
const SHORTEST_S = 0.08;
/** Two knocks mean the same resonance within that part of its pitch. */
const SAME = 0.025;
const TO_A_THOUSANDTH = Math.log(1000);

/** Where knocks begin in a sound, by sample. */
export function knocksIn({ rate, samples }: Sound): readonly number[] {
  const step = Math.max(1, Math.round(STEP_S * rate));
  const loud = Array.from({ length: Math.floor(samples.length / step) }, (_, i) =>
    Math.sqrt(samples.subarray(i * step, (i + 1) * step).reduce((sum, x) => sum + x * x, 0) / step),
  );
  const loudest = loud.reduce((a, b) => Math.max(a, b), 0);
  const begins: number[] = [];
  for (const [i, now] of loud.entries()) {
    // What was there when listening began is no knock.
    if (i < 2) continue;
    const before = Math.max(loud[i - 1] ?? 0, loud[i - 2] ?? 0, 1e-7);
    const apart = i * step - (begins.at(-1) ?? -Infinity) > APART_S * rate;
    // The knock itself, not the moment it swells: what is loud within the next steps.
    const peak = Math.max(...loud.slice(i, i + 4));
    if (apart && now > RISES * before && peak > PART_OF_LOUDEST * loudest && loudest > 1e-4)
      begins.push(i * step);
  }
  return begins.slice(0, MOST_KNOCKS);
}

interface Told {
  readonly hz: Hz;
  readonly decay: number;
  readonly size: number;
}

/** What one knock tells: tones that die away, fitted together. */
function toldBy(sound: Sound, from: number, to: number): readonly Told[] {
  const { rate } = sound;
  const samples = sound.samples.slice(from, Math.min(to, from + Math.round(LOOKED_S * rate)));
  if (samples.length < 0.1 * rate) return [];
  const looked = look(samples);
  const near = peaksOf(looked, rate).filter((p) => p.hz > LOWEST_MODE && p.hz < HIGHEST_MODE);
  const turn = (2 * Math.PI) / rate;
  return fitTones(
    looked,
    near.map((p) => p.hz * turn),
    4,
  )
    .map((t) => ({ hz: t.angle / turn, decay: t.decay * rate, size: Math.hypot(t.cRe, t.cIm) }))
    .filter(({ hz, decay, size }) => {
      const rings = TO_A_THOUSANDTH / decay;
      const within = hz > LOWEST_MODE && hz < HIGHEST_MODE;
      return within && size > 0 && decay > 0 && rings < LONGEST_S && rings > SHORTEST_S;
    });
}

const mean = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / Math.max(1, of.length);
const spread = (of: readonly number[]): number | null =>
  of.length < 2 ? null : Math.sqrt(of.reduce((sum, x) => sum + (x - mean(of)) ** 2, 0) / (of.length - 1));

const decibels = (ratio: number): number => 20 * Math.log10(Math.max(1e-9, ratio));

/**
 * The resonances of a body from knocks on it with the strings damped: the tones that die away after each knock, fitted together;
 * those that most of the knocks tell. None where nothing was knocked.
 */
export function bodyModes(sound: Sound): BodyModes {
  const begins = knocksIn(sound);
  const groups: (Told & { readonly of: number })[][] = [];
  for (const [of, from] of begins.entries()) {
    const told = toldBy(sound, from, begins[of + 1] ?? sound.samples.length);
    const loudest = told.reduce((most, t) => Math.max(most, t.size), 0);
    for (const t of told) {
      if (decibels(t.size / loudest) < SOFTEST) continue;
      const scaled = { ...t, size: t.size / loudest, of };
      const same = groups.find((g) => Math.abs(mean(g.map((m) => m.hz)) / t.hz - 1) < SAME);
      if (same) same.push(scaled);
      else groups.push([scaled]);
    }
  }
  const modes = groups
    .map((g) => ({ g, knocks: new Set(g.map((m) => m.of)).size }))
    .filter(({ knocks }) => knocks >= Math.max(1, begins.length / 2))
    .map(({ g, knocks }) => ({
      hz: mean(g.map((m) => m.hz)),
      doubt: spread(g.map((m) => m.hz)),
      rings: TO_A_THOUSANDTH / mean(g.map((m) => m.decay)),
      size: mean(g.map((m) => m.size)),
      knocks,
    }));
  const loudest = modes.reduce((most, m) => Math.max(most, m.size), 0);
  return {
    knocks: begins.length,
    modes: modes
      .map(({ size, ...m }) => ({ ...m, level: decibels(size / loudest) }))
      .filter((m) => m.level > SOFTEST)
      .sort((a, b) => a.hz - b.hz),
  };
}

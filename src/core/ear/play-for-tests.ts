import { seeded } from '../seeded.ts';
import { addPluck, normal } from '../sound/pluck-for-tests.ts';
import type { Sound } from '../sound/wav.ts';
import type { EarPlan } from './ear-plan.ts';

/** What is done at the instrument, one after the other. */
export type Played =
  | {
      readonly hz: number;
      readonly level?: number;
      readonly rings?: number;
      readonly glide?: number;
      /** B of its partials */
      readonly b?: number;
      /** whether it touches a fret on and on */
      readonly buzzes?: boolean;
    }
  | { readonly knocks: number }
  | { readonly door: true }
  | { readonly quiet: number };

const BETWEEN = 1.55;
const USUAL_STIFFNESS = 6e-5;

function addBurst(
  to: Float32Array,
  rate: number,
  at: number,
  fall: number,
  level: number,
  seed: number,
): void {
  const gauss = normal(seeded(seed));
  let low = 0;
  for (let i = Math.round(at * rate); i < to.length && i < (at + 8 * fall) * rate; i++) {
    // A dull sound: what a hand or a door makes.
    low += 0.12 * (gauss() - low);
    to[i] = (to[i] as number) + level * low * Math.exp(-(i / rate - at) / fall);
  }
}

/** Bursts of noise, one a swing, dying away with the string: a fret that is touched again and again. */
function addTouches(to: Float32Array, rate: number, hz: number, level: number, seed: number): void {
  const random = seeded(seed);
  for (let i = 0; i < to.length; i++)
    if (((i * hz) / rate) % 1 < 0.15)
      to[i] = (to[i] as number) + level * (random() - random()) * Math.exp(-i / rate / 0.3);
}

/** The sound of what is played, after half a second of quiet, with a room's noise under it. */
export function soundOf(played: readonly Played[], rate = 44_100, room = 2e-5, every = BETWEEN): Sound {
  const lasts = played.map((p) => ('quiet' in p ? p.quiet : 'knocks' in p ? 0.25 * p.knocks + 0.9 : every));
  const samples = new Float32Array(Math.round((1.1 + lasts.reduce((a, b) => a + b, 0)) * rate));
  let at = 0.5;
  played.forEach((p, i) => {
    const seed = 100 + i;
    if ('hz' in p) {
      const own = new Float32Array(Math.round(Math.min(every, samples.length / rate - at) * rate));
      const { hz: f0, level = 0.2, rings = 2.2, glide = 0, b = USUAL_STIFFNESS } = p;
      addPluck(own, rate, { f0, b, level, rings, glide }, 0, seed);
      if (p.buzzes === true) addTouches(own, rate, f0, 0.6 * level, seed);
      // The hand stops it before it plucks again.
      const stop = own.length - Math.round(0.06 * rate);
      for (let k = 0; k < own.length; k++)
        samples[Math.round(at * rate) + k] =
          (own[k] as number) * (k < stop ? 1 : Math.exp(-(k - stop) / (0.012 * rate)));
    } else if ('knocks' in p)
      for (let k = 0; k < p.knocks; k++) addBurst(samples, rate, at + 0.25 * k, 0.02, 0.6, seed + k);
    else if ('door' in p) addBurst(samples, rate, at, 0.22, 0.9, seed);
    at += lasts[i] ?? 0;
  });
  const gauss = normal(seeded(7));
  for (let i = 0; i < samples.length; i++) samples[i] = (samples[i] as number) + room * gauss();
  return { rate, samples };
}

/** The truth of an instrument that is played: how far each string is from its target and its places from theirs, cents; B of each open. */
export interface Truth {
  readonly tuned: readonly number[];
  readonly fretted: readonly number[];
  readonly stiff?: readonly number[];
}

/** A whole round, played as the plan wants it: each place as often as usual. */
export function playedRound(plan: EarPlan, { tuned, fretted, stiff = [] }: Truth): Played[] {
  return plan.steps.flatMap((step): Played[] => {
    const string = plan.strings[step.string];
    if (!string) return [];
    const open = string.hz * 2 ** ((tuned[step.string] ?? 0) / 1200);
    const tuning = plan.steps.some((s) => s.kind === 'tune');
    const own = stiff[step.string] ?? USUAL_STIFFNESS;
    if (step.kind === 'tune') return [{ hz: open, b: own }];
    const harmonic = plan.reference === 'harmonic';
    const times = step.kind === 'reference' && tuning && !harmonic ? 1 : 2;
    const hz =
      step.kind === 'fretted'
        ? open * 2 ** (step.fret / 12 + (fretted[step.string] ?? 0) / 1200)
        : open * (harmonic ? 2 : 1);
    // A shorter string is stiffer: B goes with the square of the pitch.
    const b = own * (hz / open) ** 2;
    return Array.from({ length: times }, (_, i) => ({ hz: hz * 2 ** ((0.2 * (i - 0.5)) / 1200), b }));
  });
}

import type { Construction } from '../instrument/construction.ts';
import { scaleOf } from '../instrument/scales.ts';
import { USUAL_MODULUS } from '../intonation/predicted.ts';
import { massOnInstrument, stringMake } from '../strings/string-pull.ts';
import { STEEL, stringTension } from '../strings/unit-mass.ts';
import type { Hz, Mm, Newton } from '../units/unit-types.ts';
import { openHeard, type EarRound } from './ear-round.ts';

/** What an open string tells of itself by its sound. */
export interface HeardString {
  /** its pull if it is the string that was said, at the pitch it has: T = μ(2Lf)² */
  readonly pull: Newton;
  /** the gauge its partials speak for; null where they tell nothing of it (no plain steel, or hardly any stiffness heard) */
  readonly gauge: Mm | null;
  /** the gauge that was said */
  readonly said: Mm;
  /** whether the two can be the same string */
  readonly fits: boolean;
}

/** A bridge and a nut that give way stretch the partials by themselves: gauges nearer than this share are not told apart. */
const TELLS_APART = 0.18;
/** Under that the partials lie too near a loose string's. */
const LEAST_STIFFNESS = 3e-6;
/**
 * The gauge of a plain steel string by how its partials are stretched: B = π³Ed⁴/(64TL²) with T = ρ(πd²/4)(2Lf)² leaves
 * d = (8L²f/π)·√(ρB/E).
 * @param b B of n·f0·√(1 + B·n²)
 * @param length sounding length, mm
 */
export function gaugeByPartials(b: number, hz: Hz, length: Mm): Mm {
  const l = length / 1000;
  return 1000 * ((8 * l * l * hz) / Math.PI) * Math.sqrt((STEEL * b) / USUAL_MODULUS.plain);
}

/**
 * What an open string's sound says of it, against the string that was said to be on.
 * @param number 1 is the highest
 */
export function heardString(c: Construction, number: number, hz: Hz, b: number): HeardString | null {
  const index = c.strings.length - number;
  const fact = c.strings[index];
  if (!fact || !(hz > 0)) return null;
  const length = scaleOf(c, index) + c.compensation;
  const { kind } = stringMake(c, fact);
  const pull = stringTension(massOnInstrument(c, fact), length, hz);
  const gauge = kind !== 'plain' || b < LEAST_STIFFNESS ? null : gaugeByPartials(b, hz, length);
  const fits = gauge === null || Math.abs(Math.log(gauge / fact.gauge)) < TELLS_APART;
  return { pull, gauge, said: fact.gauge, fits };
}

const inches = (mm: Mm): string => (mm / 25.4).toFixed(3).replace(/^0/, '');

/** What the open strings of a round say of the set that is on: the pull of each, and which is hardly the one that was said. */
export function sayHeardSet(c: Construction, round: EarRound): { pulls: string | null; doubts: string[] } {
  const heard = round.plan.strings.flatMap((s, i) => {
    const open = openHeard(round, i);
    const found = open && heardString(c, s.number, open.hz, open.b);
    return found ? [{ ...found, name: s.name }] : [];
  });
  const all = heard.reduce((sum, h) => sum + h.pull, 0);
  return {
    pulls:
      heard.length === 0
        ? null
        : `Pull at the pitch heard, with the set that was said: ${heard.map((h) => `${h.name} ${h.pull.toFixed(0)} N`).join(', ')}${heard.length === c.strings.length ? `; ${all.toFixed(0)} N in all` : ''}.`,
    doubts: heard
      .filter((h) => !h.fits && h.gauge !== null)
      .map(
        (h) =>
          `String ${h.name} sounds like about ${inches(h.gauge ?? 0)}, ${inches(h.said)} was said: is it the set that is written down?`,
      ),
  };
}

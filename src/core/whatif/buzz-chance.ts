import { seeded } from '../seeded.ts';
import { acrossOf } from '../instrument/construction.ts';
import { scaleOf } from '../instrument/scales.ts';
import { ratioOf } from '../neck/rod-to-action.ts';
import { clearance } from '../clearance/clearance.ts';
import type { Reading } from '../readings/reading.ts';
import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { consequences, positionsByString, positionsOf } from './consequences.ts';
import type { Hand } from './clearance-map.ts';
import type { Moves } from './moves.ts';
import type { NeckModel } from './neck-model.ts';

/** How far the truth may lie from what was read: standard deviations, mm. */
export interface Spread {
  readonly relief: number;
  /** each side of the action */
  readonly action: number;
  readonly nut: number;
  /** each fret's top */
  readonly tops: number;
  /** share of the pluck's force, from stroke to stroke */
  readonly force: number;
}

const EVEN = Math.sqrt(12);
const usual = (quantity: 'relief' | 'action' | 'nut-gap' | 'fret-height'): number =>
  QUANTITY_FACTS[quantity].tells / EVEN;

/** What the gauges leave open: the largest uncertainty of each quantity's readings, or what its usual gauge tells apart. */
export function spreadOf(readings: ReadonlyMap<string, Pick<Reading, 'quantity' | 'uncertainty'>>): Spread {
  const of = (quantity: 'relief' | 'action' | 'nut-gap' | 'fret-height'): number => {
    const all = [...readings.values()].filter((r) => r.quantity === quantity && r.uncertainty != null);
    return all.length === 0 ? usual(quantity) : Math.max(...all.map((r) => r.uncertainty ?? 0));
  };
  return {
    relief: of('relief'),
    action: of('action'),
    nut: of('nut-gap'),
    tops: of('fret-height'),
    force: 0.1,
  };
}

/** Numbers of the normal curve, mean 0 and deviation 1 (Box and Muller, both of the pair used). */
export function normals(random: () => number): () => number {
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const value = kept;
      kept = null;
      return value;
    }
    const r = Math.sqrt(-2 * Math.log(1 - random()));
    const turn = 2 * Math.PI * random();
    kept = r * Math.sin(turn);
    return r * Math.cos(turn);
  };
}

/** The chance that each place buzzes, by string (lowest first) and held position; and that any played place does. */
export interface BuzzChance {
  readonly draws: number;
  readonly seed: number;
  readonly chance: readonly Float64Array[];
  readonly anywhere: number;
}

export const USUAL_DRAWS = 2000;

/**
 * Draws necks that the readings allow and counts how often each place buzzes. The same seed gives the same answer.
 * @param upTo held positions that count for `anywhere`
 */
export function buzzChance(
  m: NeckModel,
  moves: Moves,
  hand: Hand,
  spread: Spread,
  {
    draws = USUAL_DRAWS,
    seed = 1,
    ratio = ratioOf(m.construction.kind),
    upTo = m.construction.frets - 1,
  } = {},
): BuzzChance {
  const c = m.construction;
  const [x, normal, count] = [positionsOf(c), normals(seeded(seed)), c.strings.length];
  const base = consequences(m, moves, ratio, x);
  const [along, scales] = [positionsByString(c, x), c.strings.map((_, i) => scaleOf(c, i))];
  const bow = consequences(m, { ...moves, relief: moves.relief + 1 }, ratio, x).tops.map(
    (t, n) => t - (base.tops[n] ?? 0),
  );
  const hits = base.saddle.length === 0 ? [] : Array.from(base.nut, () => new Float64Array(c.frets));
  const tops = new Float64Array(c.frets + 1);
  let anywhere = 0;
  for (let d = 0; d < draws; d++) {
    const relief = normal() * spread.relief;
    const [bass, treble] = [normal() * spread.action, normal() * spread.action];
    const force = Math.max(0, hand.force * (1 + normal() * spread.force));
    for (let n = 1; n <= c.frets; n++)
      tops[n] = (base.tops[n] ?? 0) + relief * (bow[n] ?? 0) + normal() * spread.tops;
    const dip = relief * (bow[12] ?? 0);
    let hit = false;
    for (let i = 0; i < count; i++) {
      const nut = normal() * spread.nut;
      const scale = scales[i] ?? c.scale;
      const perAction = (scale + c.compensation) / (along[i]?.[12] ?? scale / 2);
      const map = clearance(
        {
          scale,
          compensation: c.compensation,
          frets: c.frets,
          nut: (base.nut[i] ?? 0) + nut,
          saddle:
            (base.saddle[i] ?? 0) + nut + (bass + (treble - bass) * acrossOf(c, i) + dip - nut) * perAction,
          tops,
          tension: base.pull[i] ?? 1,
          ...hand,
          force,
        },
        along[i] ?? x,
      );
      for (let held = 0; held < c.frets; held++) {
        if ((map.margin[held] ?? 0) >= 0) continue;
        const row = hits[i];
        if (row) row[held] = (row[held] ?? 0) + 1;
        if (held < upTo) hit = true;
      }
    }
    if (hit) anywhere++;
  }
  return { draws, seed, chance: hits.map((row) => row.map((n) => n / draws)), anywhere: anywhere / draws };
}

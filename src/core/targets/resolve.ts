import type { Construction } from '../instrument/construction.ts';
import type { Band } from '../neck/truss-rod.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { Station } from '../readings/stations.ts';
import { KIND_TARGETS, type KindTargets } from './defaults.ts';
import type { Side, Target, TargetWish, Touch } from './target.ts';

const TOUCH_SHIFT: Readonly<Record<Touch, number>> = { light: -0.4, medium: 0, heavy: 0.7 };

/** A light touch brings the aim to the low end, a heavy one a little beyond the high end. */
function shift(b: Band, share: number): Band {
  const by = share * (b.high - b.low);
  return { low: Math.max(0, b.low + by), aim: Math.max(0, b.aim + by), high: b.high + by };
}

const sideOf = (construction: Construction, string: number): Side =>
  string > construction.strings.length / 2 ? 'bass' : 'treble';

function kindBand(targets: KindTargets, quantity: Quantity, side: Side): Band | null {
  switch (quantity) {
    case 'relief':
      return targets.relief;
    case 'action':
      return side === 'bass' ? targets.actionBass : targets.actionTreble;
    case 'nut-gap':
      return targets.nutGap;
    case 'intonation':
      return targets.intonation;
    case 'saddle-standout':
      return null;
  }
}

/**
 * The band a kind and a touch give, before any wish: touch moves relief and action only. Null where nothing is aimed at.
 * @example bandFor(KIND_TARGETS.bass, 'medium', 'relief', 'both').aim → 0.32
 */
export function bandFor(targets: KindTargets, touch: Touch, quantity: Quantity, side: Side): Target | null {
  const base = kindBand(targets, quantity, side);
  if (base === null) return null;
  const moves = quantity === 'relief' || quantity === 'action';
  if (!moves || touch === 'medium') return { ...base, layer: 'kind' };
  return { ...shift(base, TOUCH_SHIFT[touch]), layer: 'touch' };
}

/**
 * The target of a station, resolved through its layers: kind, then touch (relief and action only), then this job's
 * wishes. The result says which layer it came from. Null where nothing is aimed at.
 */
export function resolveTarget(
  construction: Construction,
  touch: Touch,
  wishes: readonly TargetWish[],
  station: Station,
  kinds: Readonly<Record<string, KindTargets>> = KIND_TARGETS,
): Target | null {
  const side = sideOf(construction, station.string);
  const wish = wishes.find(
    (w) => w.quantity === station.quantity && (w.side === 'both' || station.string === 0 || w.side === side),
  );
  if (wish) return { low: wish.low, aim: wish.aim, high: wish.high, layer: 'job' };
  return bandFor(kinds[construction.kind] ?? KIND_TARGETS[construction.kind], touch, station.quantity, side);
}

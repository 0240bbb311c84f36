import { ASSUMED_FACTS, type AssumedFact } from './assumable.ts';
import type { Construction } from './construction.ts';

type Facts = Omit<Construction, 'kind'>;

/** What of a construction each of them stands for. */
const STANDS_FOR: Readonly<Record<AssumedFact, (c: Facts) => unknown>> = {
  scale: ({ scale, fan }) => [scale, fan],
  frets: ({ frets, bodyFret }) => [frets, bodyFret],
  tuning: ({ strings }) => strings.map((s) => s.note),
  gauges: ({ strings }) => strings.map((s) => [s.gauge.toFixed(3), s.wound]),
  joint: ({ joint }) => joint,
  rod: ({ rod, rodNut, rodKey }) => [rod, rodNut, rodKey],
  radius: ({ radius }) => radius,
  bridge: ({ bridge }) => bridge,
  vibrato: ({ vibrato, springs }) => [vibrato, springs],
  nut: ({ nut }) => nut,
  electronics: ({ electronics }) => electronics,
  finish: ({ finish }) => finish,
  fingerboard: ({ fingerboard }) => fingerboard,
};

/** A construction nobody has looked at: every fact as is usual for the kind. */
export const allAssumed = (c: Construction): Construction => ({
  ...c,
  assumed: ASSUMED_FACTS.filter((f) => f !== 'radius' || c.radius !== undefined),
});

/** A construction of which some facts are not taken as usual any more: somebody said them, or looked. */
export function saidOf(c: Construction, said: readonly AssumedFact[]): Construction {
  const { assumed = [], ...facts } = c;
  const left = assumed.filter((f) => !said.includes(f));
  return left.length === 0 ? facts : { ...facts, assumed: left };
}

/**
 * A construction somebody changed: what they changed is said, the rest is taken as usual as far as it is.
 * @param was before
 * @param now after, with what is still taken as usual
 */
export function changedFrom(was: Construction, now: Construction): Construction {
  const { assumed: _a, ...facts } = now;
  const isSame = (f: AssumedFact): boolean =>
    JSON.stringify(STANDS_FOR[f](was)) === JSON.stringify(STANDS_FOR[f](now));
  const left = (now.assumed ?? []).filter(isSame);
  return left.length === 0 ? facts : { ...facts, assumed: left };
}

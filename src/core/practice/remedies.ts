import { stringNumber, isAdjustable } from '../instrument/construction.ts';
import type { Construction } from '../instrument/construction.ts';
import { scaleOf } from '../instrument/scales.ts';
import { fretPosition } from '../neck/fret-position.ts';
import type { Band } from '../neck/truss-rod.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey, stationsOf } from '../readings/stations.ts';
import type { Touch } from '../targets/target.ts';
import type { Outcome } from '../whatif/consequences.ts';
import { PER_GAP } from '../whatif/neck-model.ts';
import { saddleMove } from '../intonation/saddle-move.ts';
import type { Work } from './acts.ts';
import { aimsOf, AT_PITCH, outcomeOf, topsOf, type Insides } from './insides.ts';
import { truthAt } from './read.ts';

const work = (operation: Work['operation'], rest: Omit<Work, 'kind' | 'operation'> = {}): Work => ({
  kind: 'work',
  operation,
  ...rest,
});

const AIMS = new WeakMap<Construction, Map<Touch, ReturnType<typeof aimsOf>>>();

/** The bands an instrument of practice is judged by, by place. */
export function bandsOf({
  construction,
  touch,
}: Pick<Insides, 'construction' | 'touch'>): ReturnType<typeof aimsOf> {
  const byTouch = AIMS.get(construction) ?? new Map<Touch, ReturnType<typeof aimsOf>>();
  AIMS.set(construction, byTouch);
  const known = byTouch.get(touch) ?? aimsOf(construction, touch, stationsOf(construction));
  byTouch.set(touch, known);
  return known;
}

const inBand = (value: number, band: Band): boolean => value >= band.low && value <= band.high;

const LARGEST_TURN = 2;
const hundredth = (v: number): number => Math.round(v * 100) / 100;
/** What a saddle gains on its height that is no use to anybody: under it nothing is cut. */
const LEAST_CUT = 0.02;

/** Strings at pitch come first: everything is judged there. */
export const tuned = (inside: Insides): Work | null => (inside.flat > AT_PITCH ? work('tune-stretch') : null);

/** The rod brings the relief into its band, a quarter turn at most at a time. */
export function straightened(inside: Insides): Work | null {
  const band = bandsOf(inside).get(stationKey('relief', 0, RELIEF_FRET));
  const { relief } = outcomeOf(inside);
  if (!band || inside.construction.rod === 'none' || inBand(relief, band)) return null;
  if (inside.rod.stuck) return work('rod-free');
  const eighths = Math.round((relief - band.aim) / inside.rod.perEighth);
  const turn = Math.max(-LARGEST_TURN, Math.min(LARGEST_TURN, eighths));
  if (turn === 0) return null;
  return turn > 0 && inside.rod.left <= 0 ? work('neck-clamp') : work('rod', { eighths: turn });
}

/** Slots that are too high are cut to their aim, too low ones filled. */
export function slotted(inside: Insides): Work | null {
  const c = inside.construction;
  for (const s of stationsOf(c).filter((x) => x.quantity === 'nut-gap')) {
    const band = bandsOf(inside).get(s.key);
    const gap = truthAt(inside, s);
    if (!band || gap === null || inBand(gap, band)) continue;
    const amount = hundredth(Math.abs(gap - band.aim) * PER_GAP);
    const string = c.strings.length - s.string;
    return work(gap > band.high ? 'nut-slots' : 'nut-fill', { string, amount });
  }
  return null;
}

/** How far the saddle comes up or down for the action over the 12th to stand at its aim, mm, positive up. */
export function saddleNeeds(
  inside: Insides,
  o: Outcome = outcomeOf(inside),
): { readonly bass: number; readonly treble: number } {
  const c = inside.construction;
  const at = (number: number): number => {
    const i = c.strings.length - number;
    const band = bandsOf(inside).get(stationKey('action', number, ACTION_FRET));
    const scale = scaleOf(c, i);
    const perAction = (scale + c.compensation) / fretPosition(scale, ACTION_FRET);
    return band ? (band.aim - (o.action[i] ?? band.aim)) * perAction : 0;
  };
  return { bass: hundredth(at(c.strings.length)), treble: hundredth(at(1)) };
}

const actionOut = (inside: Insides): boolean =>
  [inside.construction.strings.length, 1].some((n) => {
    const band = bandsOf(inside).get(stationKey('action', n, ACTION_FRET));
    const now = outcomeOf(inside).action[inside.construction.strings.length - n] ?? 0;
    return band !== undefined && !inBand(now, band);
  });

/** The saddle brings the action of both sides to its aim: set, cut, or made higher. */
export function levelledAtSaddle(inside: Insides): Work | null {
  if (!actionOut(inside)) return null;
  const { bass, treble } = saddleNeeds(inside);
  if (isAdjustable(inside.construction)) return work('saddle-set', { bass, treble });
  if (Math.max(bass, treble) <= LEAST_CUT)
    return work('saddle-lower', { bass: Math.max(0, -bass), treble: Math.max(0, -treble) });
  return work('saddle-raise', { bass, treble });
}

/** Contacts move until each string's fretted 12th is in tune. */
export function intonated(inside: Insides): Work | null {
  const c = inside.construction;
  const o = outcomeOf(inside);
  for (const [string] of c.strings.entries()) {
    const band = bandsOf(inside).get(stationKey('intonation', stringNumber(c, string), ACTION_FRET));
    const cents = o.cents[string] ?? 0;
    if (!band || inBand(cents, band)) continue;
    const amount = hundredth(saddleMove(scaleOf(c, string), ACTION_FRET, cents, c.compensation));
    return work(isAdjustable(c) ? 'intonate' : 'compensate', { string, amount });
  }
  return null;
}

/** What brings the rest into its bands after a fault's own remedy, in the order of a setup. */
export const theRest = (inside: Insides): Work | null =>
  straightened(inside) ?? slotted(inside) ?? levelledAtSaddle(inside) ?? intonated(inside);

/** One operation for a flaw that is mended as a whole, while it is there. */
export const mend =
  (finding: string) =>
  (inside: Insides): Work | null => {
    const flaw = inside.flaws.find((f) => f.finding === finding);
    if (!flaw) return null;
    return work(flaw.operation, flaw.string === undefined ? {} : { string: flaw.string, amount: 0 });
  };

/** Does one thing as long as it is needed. */
export const workWhile =
  (needed: (inside: Insides) => boolean, what: (inside: Insides) => Work) =>
  (inside: Insides): Work | null =>
    needed(inside) ? what(inside) : null;

/** Sets of the same tuning are told apart by their gauges. */
export const hasOtherSet = ({ moves }: Insides): boolean => moves.strings !== null;

/** The fret that stands up highest over its neighbours. */
export function highestFret(inside: Insides): { readonly fret: number; readonly over: number } {
  const tops = topsOf(inside);
  return tops.reduce((best, t, fret) => (fret > 0 && t > best.over ? { fret, over: t } : best), {
    fret: 0,
    over: 0,
  });
}

export { work };

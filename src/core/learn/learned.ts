import type { Kind } from '../instrument/kinds.ts';
import type { LifeAct } from './acts.ts';
import { NUMBER_IDS, tradeNumber, type NumberId, type TradeRules } from './numbers.ts';
import {
  learnedFrom,
  NOTHING_TOLD,
  sumsOf,
  together,
  toldBy,
  type ActSums,
  type KindSums,
  type LearnedNumber,
} from './response.ts';

/** What is believed of every number of an instrument. */
export type LearnedNumbers = Readonly<Record<NumberId, LearnedNumber>>;

/** What the instruments of a kind tell, by number; absent where none tells anything. */
export type KindNumbers = Readonly<Partial<Record<NumberId, KindSums>>>;

type NumberedAct = Pick<LifeAct, 'number' | 'by' | 'gave' | 'variance'>;

/** The acts of an instrument together, by number. */
export const actSums = (
  acts: readonly NumberedAct[],
  kind: Kind,
  rules: TradeRules,
): Readonly<Record<NumberId, ActSums>> =>
  Object.fromEntries(
    NUMBER_IDS.map((id) => [
      id,
      sumsOf(
        acts.filter((a) => a.number === id),
        tradeNumber(id, kind, rules),
      ),
    ]),
  ) as Record<NumberId, ActSums>;

/** What an instrument tells of its kind, by number: what is kept of the kind changes by it. */
export function tells(
  acts: readonly NumberedAct[],
  kind: Kind,
  rules: TradeRules,
): Readonly<Record<NumberId, KindSums>> {
  const sums = actSums(acts, kind, rules);
  return Object.fromEntries(
    NUMBER_IDS.map((id) => [id, toldBy(sums[id], tradeNumber(id, kind, rules))]),
  ) as Record<NumberId, KindSums>;
}

/**
 * Every number of an instrument.
 * @param acts those of its own that count, as of the visits before
 * @param all every act of it that what its kind tells holds
 * @param ofKind what its kind tells, this instrument with it
 */
export function learnedNumbers(
  kind: Kind,
  rules: TradeRules,
  acts: readonly NumberedAct[],
  all: readonly NumberedAct[],
  ofKind: KindNumbers,
): LearnedNumbers {
  const [own, told] = [actSums(acts, kind, rules), tells(all, kind, rules)];
  return Object.fromEntries(
    NUMBER_IDS.map((id) => {
      const others = together(ofKind[id] ?? NOTHING_TOLD, told[id], -1);
      return [id, learnedFrom(tradeNumber(id, kind, rules), own[id], others)];
    }),
  ) as Record<NumberId, LearnedNumber>;
}

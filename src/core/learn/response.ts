/** One time something was changed and what followed was read. */
export interface Act {
  /** how much it was changed, in the number's own step */
  readonly by: number;
  /** what followed */
  readonly gave: number;
  /** variance of that by the readings alone */
  readonly variance: number;
}

/** What the trade knows of a number before anything was read. */
export interface TradeNumber {
  readonly value: number;
  /** how far kinds of instrument differ from it, one standard deviation */
  readonly kinds: number;
  /** how far instruments of a kind differ from each other */
  readonly instruments: number;
  /** what one act differs by beside the readings' own error: settling, air, hand */
  readonly scatter: number;
}

/** What is believed of a number of one instrument. */
export interface LearnedNumber {
  readonly value: number;
  /** one standard deviation of it */
  readonly sd: number;
  /** the acts of this instrument behind it */
  readonly own: number;
  /** instruments of its kind behind it, without this one, and their acts */
  readonly others: { readonly instruments: number; readonly acts: number };
}

/** The acts of one instrument in two numbers: how sure they are together, and where they point. */
export interface ActSums {
  /** Σ by² ÷ variance */
  readonly weight: number;
  /** Σ by · gave ÷ variance */
  readonly pull: number;
  readonly acts: number;
}

/** The acts of an instrument together; one that changed nothing tells nothing. */
export const sumsOf = (acts: readonly Act[], { scatter }: Pick<TradeNumber, 'scatter'>): ActSums =>
  acts
    .filter((a) => a.by !== 0)
    .reduce(
      (sums, { by, gave, variance }) => {
        const all = variance + scatter ** 2;
        return {
          weight: sums.weight + by ** 2 / all,
          pull: sums.pull + (by * gave) / all,
          acts: sums.acts + 1,
        };
      },
      { weight: 0, pull: 0, acts: 0 },
    );

/** What the instruments of a kind tell of it together. */
export interface KindSums {
  /** Σ 1 ÷ (how far instruments differ² + how well each is known²) */
  readonly weight: number;
  /** Σ each one's value times that */
  readonly pull: number;
  readonly instruments: number;
  readonly acts: number;
}

export const NOTHING_TOLD: KindSums = { weight: 0, pull: 0, instruments: 0, acts: 0 };

/** What one instrument tells of its kind. */
export function toldBy(
  { weight, pull, acts }: ActSums,
  { instruments }: Pick<TradeNumber, 'instruments'>,
): KindSums {
  if (weight <= 0) return NOTHING_TOLD;
  const sure = 1 / (instruments ** 2 + 1 / weight);
  return { weight: sure, pull: (pull / weight) * sure, instruments: 1, acts };
}

/** What several instruments tell together, or, with `times` −1, what is left without one of them. */
export const together = (a: KindSums, b: KindSums, times: 1 | -1 = 1): KindSums => ({
  weight: Math.max(0, a.weight + times * b.weight),
  pull: a.pull + times * b.pull,
  instruments: a.instruments + times * b.instruments,
  acts: a.acts + times * b.acts,
});

/**
 * A number of an instrument from its own acts, over what its kind says, over what the trade says: normal beliefs in closed form. An
 * instrument's value lies around its kind's, that around the trade's; every other instrument of the kind has told the kind's value
 * as well as its acts tell its own.
 * @param own the acts of this instrument
 * @param others what the other instruments of its kind tell
 */
export function learnedFrom(trade: TradeNumber, own: ActSums, others: KindSums): LearnedNumber {
  const precision = 1 / trade.kinds ** 2 + others.weight;
  const kind = (trade.value / trade.kinds ** 2 + others.pull) / precision;
  const before = 1 / (1 / precision + trade.instruments ** 2);
  return {
    value: (kind * before + own.pull) / (before + own.weight),
    sd: Math.sqrt(1 / (before + own.weight)),
    own: own.acts,
    others: { instruments: others.instruments, acts: others.acts },
  };
}

/** Nine of ten lie within so many standard deviations. */
const NINE_OF_TEN = 1.645;

/** Between which a learned number lies in nine cases of ten. */
export const nineOfTen = ({ value, sd }: Pick<LearnedNumber, 'value' | 'sd'>): readonly [number, number] => [
  value - NINE_OF_TEN * sd,
  value + NINE_OF_TEN * sd,
];

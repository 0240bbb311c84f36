/** How a job ends with the customer’s signature. */
export const SIGNED_ENDS = ['done', 'as-it-is'] as const;
/** How a job ends without one. */
export const UNSIGNED_ENDS = ['called-off', 'elsewhere', 'floor', 'never-collected'] as const;
export type SignedEnd = (typeof SIGNED_ENDS)[number];
export type UnsignedEnd = (typeof UNSIGNED_ENDS)[number];
export type End = SignedEnd | UnsignedEnd;

interface EndRecord {
  readonly name: string;
  /** what it means, for whoever chooses it */
  readonly hint: string;
  /** what is asked with it */
  readonly asks: string;
}

export const ENDS: Readonly<Record<End, EndRecord>> = {
  done: {
    name: 'Done',
    hint: 'the work was done; the customer plays and signs',
    asks: '',
  },
  'as-it-is': {
    name: 'Goes home as it is',
    hint: 'what is not finished is not done any more; the sheet says so and the customer signs',
    asks: 'Why it goes home as it is, as the customer reads it',
  },
  'called-off': {
    name: 'Called off',
    hint: 'the customer wants it back without the work',
    asks: 'Who said so, and why',
  },
  elsewhere: {
    name: 'Given to another shop',
    hint: 'somebody else does what is wanted',
    asks: 'Which shop, and what for',
  },
  floor: {
    name: 'Ready for the floor',
    hint: 'new stock, checked, on its way to be sold',
    asks: 'Where it hangs, if anything is to be said',
  },
  'never-collected': {
    name: 'Never collected',
    hint: 'nobody came for it, after all reminders',
    asks: 'Where it is kept from now on',
  },
};

/** A line of the order, as its end is judged by. */
export interface EndingLine {
  readonly approval: 'asked' | 'yes' | 'no';
  readonly step: 'ready' | 'running' | 'paused' | 'finished';
}

/**
 * How a job ends: as somebody said; where nothing was done and nothing is agreed it goes home as it is, whatever was said.
 * @example endOf('done', []) → `as-it-is`
 */
export function endOf(said: End, lines: readonly EndingLine[]): End {
  const nothing = lines.every((l) => l.step !== 'finished' && l.approval !== 'yes');
  return said === 'done' && nothing ? 'as-it-is' : said;
}

/** The lines that are done or still to be done: where a job ends otherwise than done, only what was finished. */
export const countingLines = <L extends EndingLine>(end: End, lines: readonly L[]): L[] =>
  lines.filter((l) => (end === 'done' ? l.approval === 'yes' : l.step === 'finished'));

/** The lines that will not be done any more because the job ends as it does. */
export const droppedLines = <L extends EndingLine>(end: End, lines: readonly L[]): L[] =>
  end === 'done' ? [] : lines.filter((l) => l.approval !== 'no' && l.step !== 'finished');

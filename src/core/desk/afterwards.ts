import { addDays, type Day } from '../days/zone.ts';

/** What came of calling somebody. */
export const AFTER_OUTCOMES = {
  coming: 'They bring it in',
  later: 'Not now: ask again',
  written: 'Written to them',
  'no-answer': 'Nobody answered',
  never: 'They want no such calls',
} as const;
export type AfterOutcome = keyof typeof AFTER_OUTCOMES;

export const AFTER_KINDS = {
  check: 'a check that was offered',
  watch: 'something watched',
  season: 'the season',
} as const;
export type AfterKind = keyof typeof AFTER_KINDS;

/** What came of it when somebody last called about something. */
export interface AfterNote {
  readonly source: string;
  readonly outcome: AfterOutcome;
  /** the day it is asked again */
  readonly againOn: Day | null;
  /** the day it was noted */
  readonly day: Day;
}

/** Nobody answered: again so many days later, where no day was said. */
const NO_ANSWER_DAYS = 2;
/** They were written to: again so many days later, where no day was said. */
const WRITTEN_DAYS = 7;
/** They said they would come and did not: again after so long. */
const COMING_DAYS = 30;

/** The day from which something is asked again after what came of it; null: not again. */
export function askedAgain({ outcome, againOn, day }: AfterNote): Day | null {
  if (outcome === 'never') return null;
  if (againOn !== null) return againOn;
  if (outcome === 'written') return addDays(day, WRITTEN_DAYS);
  if (outcome === 'no-answer') return addDays(day, NO_ANSWER_DAYS);
  return outcome === 'coming' ? addDays(day, COMING_DAYS) : null;
}

/**
 * Whether something is on the list today.
 * @param notes what came of it so far, the newest last; of this thing and, for calls nobody wants, of the instrument
 */
export function isAsked(source: string, notes: readonly AfterNote[], today: Day): boolean {
  // Who wants no such calls is not called about the season or what is watched; a check that was offered stands.
  const kind = source.split(':')[0];
  if (kind !== 'check' && notes.some((n) => n.outcome === 'never')) return false;
  const last = notes.findLast((n) => n.source === source);
  if (!last) return true;
  const again = askedAgain(last);
  return again !== null && again <= today;
}

import { formatCents } from '../units/parse-cents.ts';
import type { Refused } from '../sound/hear.ts';
import type { EarPlan, EarStep } from './ear-plan.ts';
import { stringOf, type EarRound, type Outcome } from './ear-round.ts';

/** What to do now, in the bench's words. */
export interface EarDirection {
  /** `String 6 E` */
  readonly string: string;
  /** `hold it at 12 and pluck` */
  readonly act: string;
  /** what else to mind; empty where nothing */
  readonly mind: string;
}

function act(plan: EarPlan, step: EarStep): string {
  if (step.kind === 'tune') return 'pluck it open and tune it';
  if (step.kind === 'fretted') return `hold it at ${step.fret} and pluck`;
  return plan.reference === 'harmonic' ? 'touch it over 12 and pluck the harmonic' : 'pluck it open';
}

/** What is to be played now; null when everything was heard. */
export function sayStep({ plan, at }: EarRound): EarDirection | null {
  const step = plan.steps[at];
  const string = step && stringOf(plan, step);
  if (!step || !string) return null;
  const mind = string.partner === null ? '' : `alone: keep ${string.partner} quiet`;
  return { string: `String ${string.name}`, act: act(plan, step), mind };
}

/** Why nothing is said of a sound, in the bench's words. */
export const REFUSED: Readonly<Record<Refused, string>> = {
  silent: 'Nothing was heard.',
  'too-short': 'Too short: let it ring for half a second.',
  clipped: 'Too loud for the microphone: pluck softer or move the tablet away.',
  damped: 'It was damped: let it ring.',
  'too-noisy': 'That was no string that could be told from the room.',
  'not-this-string': 'That was none of the strings that are read.',
};

const place = (plan: EarPlan, string: number, fret: number): string => {
  const name = plan.strings[string]?.name ?? '';
  return fret === 0 ? `string ${name}, open` : `string ${name}, held at ${fret}`;
};

const size = (cents: number): string => Math.abs(cents).toFixed(1);
const far = (cents: number): string =>
  Math.abs(cents) < 150 ? `${size(cents)} cents` : `${size(cents / 100)} semitones`;

/** What came of what was heard last, in the bench's words. */
export function sayOutcome(plan: EarPlan, o: Outcome): string {
  switch (o.kind) {
    case 'out-of-tune':
      return `${far(o.cents)} ${o.cents > 0 ? 'sharp: let it down' : 'flat: bring it up'}.`;
    case 'settling':
      return `In tune (${formatCents(o.cents)}). Stretch it and pluck it once more.`;
    case 'gave-way':
      return o.cents < 0
        ? `It gave way by ${size(o.cents)} cents: stretch it and tune it again.`
        : `It came up by ${size(o.cents)} cents: tune it again.`;
    case 'tuned':
      return `In tune (${formatCents(o.cents)}).`;
    case 'counted':
      return `${formatCents(o.cents)} ± ${size(Math.max(0.05, o.doubt))}. Once more.`;
    case 'done':
      return `${formatCents(o.cents)}, the mean within ${size(Math.max(0.05, o.doubt))}.`;
    case 'differs':
      return o.falls
        ? `It falls from pluck to pluck, ${size(o.cents)} cents so far: the string does not hold its pitch.`
        : `Its plucks lie ${size(o.cents)} cents apart: press straight down and pluck evenly.`;
    case 'unsure':
      return `Not sure enough (± ${size(o.doubt)} cents): pluck it alone and let it ring.`;
    case 'elsewhere':
      return `That was ${place(plan, o.string, o.fret)}.`;
    case 'refused':
      return REFUSED[o.why];
    case 'knocked':
      return 'A knock, or a string that was damped.';
    case 'begun-again':
      return 'Once more.';
    case 'skipped':
      return 'Left out.';
  }
}

/** Whether what was heard last wants something of the hand: said in red. */
export const isTrouble = (o: Outcome): boolean =>
  ['differs', 'unsure', 'elsewhere', 'refused', 'gave-way'].includes(o.kind);

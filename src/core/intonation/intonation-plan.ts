import { stringNumber, type Construction } from '../instrument/construction.ts';
import { alongString } from '../instrument/scales.ts';
import { contactFit } from './contact-fit.ts';
import { saddleMove } from './saddle-move.ts';
import { intonationFit, type IntonationFit, type PitchReading } from './intonation-fit.ts';
import type { Cents, Mm } from '../units/unit-types.ts';

/** What is to do at one string for its pitch. mm, cents. */
export interface StringIntonation {
  readonly string: number;
  readonly readings: readonly PitchReading[];
  readonly fit: IntonationFit;
  /** the saddle's move by the 12th, the nut left as it is: what a plan books; null where the 12th tells nothing */
  readonly alone: Mm | null;
  /** whether the nut was worked out too */
  readonly nutToo: boolean;
  /** why the nut was not, or '' */
  readonly why: string;
  /** where the contact stands after the move, from the saddle's front edge; null where it was not read */
  readonly at: Mm | null;
  readonly from: Mm | null;
  readonly outside: Mm;
  readonly ways: readonly string[];
  /** why the move is questioned before anything is made of it; null where it is not */
  readonly doubt: string | null;
}

type Read = {
  readonly quantity: string;
  readonly string: number;
  readonly fret: number;
  readonly value: number;
};
const USUAL_CROWN = 3;
/** No saddle's contact travels further than this, nor a nut's, mm. */
const MOST_TRAVEL = 8;
const MOST_NUT_TRAVEL = 3;

const doubtOf = (saddle: number, nut: number): string | null =>
  Math.abs(saddle) > MOST_TRAVEL || Math.abs(nut) > MOST_NUT_TRAVEL
    ? `${Math.abs(Math.abs(saddle) > MOST_TRAVEL ? saddle : nut).toFixed(1)} mm is further than a contact travels: read the note again, in its octave.`
    : null;

/** Beyond this a note at the 12th was read wrongly, or in another octave: no contact is moved by it. Cents. */
export const MOST_CENTS = 60;
const TWELFTH = 12;

/**
 * How far a contact moves for a note at the 12th, the nut left as it is: the one sum that plans book by and the bench is shown.
 * @param cents sharp positive
 * @returns mm, back positive
 * @example 648 mm, +1 cent → 0.375 mm
 */
export const moveAlone = (c: Pick<Construction, 'scale' | 'compensation'>, cents: Cents): Mm =>
  saddleMove(c.scale, TWELFTH, cents, c.compensation);

/**
 * The saddle's and, where low frets were read, the nut's move of every string that was read, with whether the contact
 * stays on the crown and the ways when it does not.
 * @param readings usable readings: intonation (cents at a fret), contact, saddle thickness
 */
export function intonationPlan(all: Construction, readings: readonly Read[]): StringIntonation[] {
  const crown = readings.find((r) => r.quantity === 'saddle-thickness')?.value ?? USUAL_CROWN;
  return all.strings.flatMap((_, i) => {
    const c = alongString(all, i);
    const string = stringNumber(c, i);
    const own = readings
      .filter((r) => r.quantity === 'intonation' && r.string === string)
      .map((r) => ({ fret: r.fret, cents: r.value }))
      .sort((a, b) => a.fret - b.fret);
    if (own.length === 0) return [];
    const both = own.length > 1 ? intonationFit(c.scale, own, true, c.compensation) : null;
    const one = intonationFit(c.scale, own, false, c.compensation);
    if (!one.ok) return [];
    const twelfth = own.find((r) => r.fret === TWELFTH)?.cents;
    const nutToo = both?.ok === true;
    const fit = both?.ok ? both.value : one.value;
    const from = readings.find((r) => r.quantity === 'contact' && r.string === string)?.value ?? null;
    const placed = from === null ? null : contactFit(crown, from, fit.saddleMove);
    return [
      {
        string,
        readings: own,
        fit,
        alone: twelfth === undefined || Math.abs(twelfth) >= MOST_CENTS ? null : moveAlone(c, twelfth),
        nutToo,
        why: nutToo ? '' : both && !both.ok ? both.error.message : 'Only one fret was read.',
        at: placed?.at ?? null,
        from,
        outside: placed?.outside ?? 0,
        ways: placed?.ways ?? [],
        doubt: doubtOf(fit.saddleMove, nutToo ? fit.nutMove : 0),
      },
    ];
  });
}

import { stringName, stringNumber, stringsOfCourse, type Construction } from '../instrument/construction.ts';
import type { MethodOf } from '../readings/methods.ts';
import { ACTION_FRET, NUT_FRETS } from '../readings/stations.ts';
import { hearTuning } from '../strings/hear-tuning.ts';
import { noteFrequency } from '../strings/pitch.ts';
import type { Hz } from '../units/unit-types.ts';

/** A string that is listened to. */
export interface EarString {
  /** 1 is the highest */
  readonly number: number;
  /** what it is called at the bench, `6 E`, `6a E` */
  readonly name: string;
  /** the note it is tuned to, `E2`, and its pitch */
  readonly note: string;
  readonly hz: Hz;
  /** the other string of its pair, which a hand keeps quiet; null where it stands alone */
  readonly partner: string | null;
}

/** What of a string is heard: tuned, its reference, or held at a fret. */
export interface EarStep {
  /** the place of its string in the plan */
  readonly string: number;
  readonly kind: 'tune' | 'reference' | 'fretted';
  /** 0 where it is not held */
  readonly fret: number;
}

/** What a round by ear goes through, in this order. */
export interface EarPlan {
  readonly strings: readonly EarString[];
  readonly steps: readonly EarStep[];
  readonly reference: MethodOf<'intonation'>;
}

/** How a round by ear is wanted. */
export interface EarWish {
  /** as it stands at the round; empty: as the instrument is strung */
  readonly tuning: string;
  /** A4 */
  readonly pitch: Hz;
  readonly method: MethodOf<'intonation'>;
  readonly firstString: 'lowest' | 'highest';
  /** whether each string is tuned before it is read */
  readonly tune: boolean;
  /** whether the low frets are heard too, for work at the nut */
  readonly nut: boolean;
  /** the strings to hear, by number; null: all */
  readonly only: readonly number[] | null;
}

/** The notes the strings are tuned to, lowest first: as was said at the round where that names a tuning of this instrument. */
export function notesOf(c: Construction, tuning: string): readonly string[] {
  const own = c.strings.map((s) => s.note);
  if (tuning.trim() === '') return own;
  const said = hearTuning(tuning, { ...c, usual: c.strings, gauges: c.strings });
  return said.ok && said.value.notes.length === own.length ? said.value.notes : own;
}

/** The round an instrument is heard in: string by string in the shop's order, each tuned, then open or its harmonic, then held. */
export function earPlan(c: Construction, wish: EarWish): EarPlan {
  const notes = notesOf(c, wish.tuning);
  const all = c.strings.flatMap((_, i): EarString[] => {
    const number = stringNumber(c, i);
    const note = notes[i] ?? '';
    const hz = noteFrequency(note, wish.pitch);
    const other = stringsOfCourse(c, number).find((n) => n !== number);
    const one = {
      number,
      name: `${stringName(c, number)} ${note.replace(/\d+$/, '')}`,
      note,
      partner: c.perCourse === 1 || other === undefined ? null : stringName(c, other),
    };
    const wanted = wish.only === null || wish.only.includes(number);
    return hz.ok && wanted ? [{ ...one, hz: hz.value }] : [];
  });
  const strings = wish.firstString === 'lowest' ? all : all.toReversed();
  const frets = [...(wish.nut ? NUT_FRETS.toReversed() : []), ACTION_FRET].sort((a, b) => b - a);
  const steps = strings.flatMap((_, string): EarStep[] => [
    ...(wish.tune ? [{ string, kind: 'tune' as const, fret: 0 }] : []),
    { string, kind: 'reference', fret: 0 },
    ...frets.filter((f) => f <= c.frets).map((fret) => ({ string, kind: 'fretted' as const, fret })),
  ]);
  return { strings, steps, reference: wish.method };
}

import type { Construction } from '../instrument/construction.ts';
import type { StringFact } from '../instrument/construction-facts.ts';
import { noteFrequency } from './pitch.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { scaleOf, type Scales } from '../instrument/scales.ts';
import { stringTension, unitMass, WRAP_DENSITIES, type StringMake } from './unit-mass.ts';

/** Pull taken for granted where a note cannot be read, N. */
const USUAL_PULL = 75;

/** What a string of an instrument is made of, from its gauge and the instrument's kind. */
export function stringMake(c: Pick<Construction, 'kind'>, s: StringFact): StringMake {
  const { softStrung, wrap } = KIND_RECORDS[c.kind];
  if (s.wound && softStrung) return { kind: 'floss', gauge: s.gauge };
  if (s.wound)
    return {
      kind: 'wound',
      gauge: s.gauge,
      wrapDensity: WRAP_DENSITIES[wrap],
    };
  return { kind: softStrung ? 'nylon' : 'plain', gauge: s.gauge };
}

/** Mass of a metre of a string on an instrument, kg/m. */
export const massOnInstrument = (c: Pick<Construction, 'kind'>, s: StringFact): number =>
  unitMass(stringMake(c, s));

/**
 * The pull of each string of an instrument at its tuning, N, lowest first: T = μ(2Lf)².
 * @param strings another set or tuning than the one it has
 * @param reference frequency of A4, Hz
 */
export function pulls(
  c: Pick<Construction, 'kind' | 'compensation'> & Scales,
  strings: readonly StringFact[] = c.strings,
  reference = 440,
): Float64Array {
  return Float64Array.from(strings, (s, i) => {
    const note = noteFrequency(s.note, reference);
    return note.ok
      ? stringTension(massOnInstrument(c, s), scaleOf(c, i) + c.compensation, note.value)
      : USUAL_PULL;
  });
}

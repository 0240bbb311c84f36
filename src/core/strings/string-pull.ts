import type { Construction, StringFact } from '../instrument/construction.ts';
import { noteFrequency } from './pitch.ts';
import type { Kind } from '../instrument/kinds.ts';
import { stringTension, unitMass, WRAP_DENSITIES, type StringMake } from './unit-mass.ts';

/** Kinds whose plain strings are monofilament and whose wound ones have a core of floss. */
const SOFT = new Set(['nylon', 'ukulele']);
/** Kinds whose wound strings have a wrap of bronze; the others' is plated steel. */
const BRONZE: ReadonlySet<Kind> = new Set<Kind>(['steel-acoustic', 'twelve-string']);
/** Pull taken for granted where a note cannot be read, N. */
const USUAL_PULL = 75;

/** What a string of an instrument is made of, from its gauge and the instrument's kind. */
export function stringMake(c: Pick<Construction, 'kind'>, s: StringFact): StringMake {
  if (s.wound && SOFT.has(c.kind)) return { kind: 'floss', gauge: s.gauge };
  if (s.wound)
    return {
      kind: 'wound',
      gauge: s.gauge,
      wrapDensity: BRONZE.has(c.kind) ? WRAP_DENSITIES.bronze : WRAP_DENSITIES['plated or stainless steel'],
    };
  return { kind: SOFT.has(c.kind) ? 'nylon' : 'plain', gauge: s.gauge };
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
  c: Pick<Construction, 'kind' | 'scale' | 'compensation' | 'strings'>,
  strings: readonly StringFact[] = c.strings,
  reference = 440,
): Float64Array {
  return Float64Array.from(strings, (s) => {
    const note = noteFrequency(s.note, reference);
    return note.ok ? stringTension(massOnInstrument(c, s), c.scale + c.compensation, note.value) : USUAL_PULL;
  });
}

import type { Construction, StringFact } from '../instrument/construction.ts';
import { noteFrequency } from './pitch.ts';
import { NYLON, stringTension, unitMass, WRAP_DENSITIES, type StringMake } from './unit-mass.ts';

/** Kinds whose plain strings are monofilament and whose wound ones have a core of floss. */
const SOFT = new Set(['nylon', 'ukulele']);
/** Share of a wound floss string's diameter that its core takes. */
const FLOSS_CORE = 0.6;
const FLOSS_WRAP = WRAP_DENSITIES.nickel;
const WRAP_FILL = Math.PI / 4;
/** Pull taken for granted where a note cannot be read, N. */
const USUAL_PULL = 75;

/** What a string of an instrument is made of, from its gauge and the instrument's kind. */
export function stringMake(c: Pick<Construction, 'kind'>, s: StringFact): StringMake {
  if (s.wound) return { kind: 'wound', gauge: s.gauge };
  return { kind: SOFT.has(c.kind) ? 'nylon' : 'plain', gauge: s.gauge };
}

const area = (mm: number): number => (Math.PI / 4) * (mm / 1000) ** 2;

/** Mass of a metre of a string on an instrument, kg/m: floss-cored where the kind has such strings. */
export function massOnInstrument(c: Pick<Construction, 'kind'>, s: StringFact): number {
  if (!s.wound || !SOFT.has(c.kind)) return unitMass(stringMake(c, s));
  const core = area(s.gauge * FLOSS_CORE);
  return NYLON * core + FLOSS_WRAP * WRAP_FILL * (area(s.gauge) - core);
}

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

import { toMm } from '../units/length-units.ts';
import { noteFrequency } from './pitch.ts';
import { stringTension, unitMass, WRAP_DENSITIES, type StringKind, type StringMake } from './unit-mass.ts';
import type { Hz, Mm, Newton } from '../units/unit-types.ts';

/** A generic set by its gauges: no maker's name, lowest string first. */
export interface StringSet {
  readonly id: string;
  readonly name: string;
  /** instrument kinds it is meant for */
  readonly kinds: readonly string[];
  readonly strings: readonly StringMake[];
}

const LETTERS: Readonly<Record<string, StringKind>> = {
  p: 'plain',
  w: 'wound',
  n: 'nylon',
  f: 'fluorocarbon',
};

/** `53w` is .053 in wound, `16p` plain, `28n` nylon, `24f` fluorocarbon; a wrap density is given for the set. */
const strings = (spec: string, wrapDensity?: number): StringMake[] =>
  spec.split(' ').map((s) => {
    const kind = LETTERS[s.slice(-1)] ?? 'plain';
    const gauge = toMm(Number.parseFloat(s), 'thou');
    return kind === 'wound' && wrapDensity !== undefined ? { kind, gauge, wrapDensity } : { kind, gauge };
  });

const { bronze: BRONZE, nickel: NICKEL, 'plated or stainless steel': STAINLESS } = WRAP_DENSITIES;

const row = (id: string, name: string, kinds: string, spec: string, wrap?: number): StringSet => ({
  id,
  name,
  kinds: kinds.split(' '),
  strings: strings(spec, wrap),
});

/** The shop's table of usual sets. */
export const STRING_SETS: readonly StringSet[] = [
  row('acoustic-10', 'acoustic, extra light', 'steel-acoustic', '47w 39w 30w 23w 14p 10p', BRONZE),
  row('acoustic-11', 'acoustic, custom light', 'steel-acoustic', '52w 42w 32w 23w 15p 11p', BRONZE),
  row('acoustic-12', 'acoustic, light', 'steel-acoustic', '53w 42w 32w 24w 16p 12p', BRONZE),
  row('acoustic-13', 'acoustic, medium', 'steel-acoustic', '56w 45w 35w 26w 17p 13p', BRONZE),
  row(
    'twelve-10',
    'twelve-string, light',
    'twelve-string',
    '27w 47w 18p 39w 12p 30w 8p 23w 14p 14p 10p 10p',
    BRONZE,
  ),
  row('electric-9', 'electric, light', 'solid-electric semi-hollow', '42w 32w 24w 16p 11p 9p', NICKEL),
  row('electric-10', 'electric, regular', 'solid-electric semi-hollow', '46w 36w 26w 17p 13p 10p', NICKEL),
  row('electric-11', 'electric, medium', 'semi-hollow archtop', '48w 38w 28w 18p 14p 11p', NICKEL),
  row('archtop-12', 'archtop, wound third', 'archtop', '52w 42w 32w 24w 16p 12p', NICKEL),
  row('bass-45', 'bass, regular', 'bass', '105w 85w 65w 45w', STAINLESS),
  row('bass-40', 'bass, light', 'bass', '95w 80w 60w 40w', STAINLESS),
  row('bass-5', 'bass, five strings', 'bass', '130w 105w 85w 65w 45w', STAINLESS),
  row('nylon-trebles', 'nylon trebles, normal', 'nylon', '40n 32n 28n'),
  row('nylon-carbon', 'fluorocarbon trebles', 'nylon', '33f 27f 23f'),
  row('ukulele-nylon', 'ukulele, nylon', 'ukulele', '28n 36n 32n 24n'),
  row('ukulele-carbon', 'ukulele, fluorocarbon', 'ukulele', '21f 26f 24f 19f'),
];

/** The pull of a set at a tuning, and of each of its strings. */
export interface SetPull {
  readonly tensions: readonly Newton[];
  readonly total: Newton;
}

/**
 * The pull of a set of strings at given pitches.
 * @param scale mm
 * @param set the strings
 * @param frequencies Hz, one for each string
 * @throws RangeError when there are not as many pitches as strings
 */
export function setPull(scale: Mm, set: readonly StringMake[], frequencies: readonly Hz[]): SetPull {
  if (set.length !== frequencies.length) throw new RangeError('one pitch for each string');
  const tensions = set.map((s, i) => stringTension(unitMass(s), scale, frequencies[i] ?? 0));
  return { tensions, total: tensions.reduce((a, b) => a + b, 0) };
}

/** Frequencies of a tuning's notes, Hz. @throws RangeError when a note cannot be read */
export const frequenciesOf = (notes: readonly string[], reference: Hz = 440): Hz[] =>
  notes.map((n) => {
    const read = noteFrequency(n, reference);
    if (!read.ok) throw new RangeError(read.error.message);
    return read.value;
  });

import { fretPosition } from '../neck/fret-position.ts';
import type { Mm } from '../units/unit-types.ts';
import { acrossOf, type Construction } from './construction.ts';
import type { Fan } from './construction-facts.ts';

/** What decides where a fret lies along a string. Where frets fan out, `scale` is the middle of both scales. */
export type Scales = Pick<Construction, 'scale' | 'strings' | 'perCourse' | 'fan'>;

/** The middle of two scales: what the neck as a whole is worked out with. */
export const middleScale = ({ bass, treble }: Pick<Fan, 'bass' | 'treble'>): Mm => (bass + treble) / 2;

/** Scale length at a place across the board. @param across 0 at the bass side, 1 at the treble */
export const scaleAcross = ({ scale, fan }: Pick<Scales, 'scale' | 'fan'>, across: number): Mm =>
  fan ? fan.bass + (fan.treble - fan.bass) * across : scale;

/** A string's own scale length, mm. @param index from the lowest string */
export const scaleOf = (c: Scales, index: number): Mm =>
  c.fan ? scaleAcross(c, acrossOf(c, index)) : c.scale;

/**
 * An instrument as one of its strings sees it: its own scale, and frets that stand straight.
 * @param index from the lowest string
 */
export function alongString<C extends Scales>(c: C, index: number): C {
  if (!c.fan) return c;
  const { fan: _two, ...rest } = c;
  return { ...rest, scale: scaleOf(c, index) } as unknown as C;
}

/**
 * How far a fret lies along the neck, mm from where the nut's middle lies: every string has its own scale, and they lie so that
 * the straight fret stands square to the neck. The nut itself is fret 0.
 * @param across 0 at the bass side, 1 at the treble
 */
export function fretAlong(c: Pick<Scales, 'scale' | 'fan'>, across: number, fret: number): Mm {
  const own = scaleAcross(c, across);
  const at = fretPosition(own, fret);
  return c.fan ? at + fretPosition(c.scale, c.fan.straight) - fretPosition(own, c.fan.straight) : at;
}

/** How far along the neck a length along a string ends that began at its nut, mm; the saddle, say. */
export const alongNeck = (c: Pick<Scales, 'scale' | 'fan'>, across: number, mm: Mm): Mm =>
  mm + fretAlong(c, across, 0);

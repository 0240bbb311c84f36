import { fretPosition } from '../neck/fret-position.ts';
import { fail, ok, type Result } from '../result.ts';
import { parseLength } from '../units/parse-length.ts';
import type { Mm } from '../units/unit-types.ts';
import { acrossOf, type Construction } from './construction.ts';
import type { Fan } from './construction-facts.ts';

/** What decides where a fret lies along a string. Where frets fan out, `scale` is the middle of both scales. */
export type Scales = Pick<Construction, 'scale' | 'strings' | 'perCourse' | 'fan'>;

/** A scale length, or two where the frets fan out, as they were read. */
export interface ReadScales {
  readonly scale: Mm;
  readonly fan?: Fan;
}

const SHORTEST = 200;
const LONGEST = 1200;
/** No hand spans frets that fan out further. */
const MOST_FAN = 1.25;
const MOST_STRAIGHT = 24;

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

const AT =
  /^(.+?)[\s,;]*(?:straight)?\s*(?:at|@)\s*(?:the\s+)?(?:fret\s+)?(nut|\d{1,2})(?:st|nd|rd|th)?(?:\s+fret)?$/i;
const TWO = /^(.+?)\s*(?:[-–—]|\bto\b|\band\b)\s*(.+)$/i;
const HOW = 'Write both scales and the fret that stands straight: 864–813 at 7.';

const outside = (mm: Mm): string | null =>
  mm < SHORTEST || mm > LONGEST
    ? `${mm.toFixed(1)} mm is no scale length. Did you leave out the unit?`
    : null;

/** Two scales in one text: a unit that is written once counts for both. */
function readTwo(text: string): Result<readonly [Mm, Mm], string> | null {
  const m = TWO.exec(text);
  if (!m) return null;
  const second = parseLength(m[2] ?? '', 'mm');
  if (!second.ok) return null;
  const first = parseLength(m[1] ?? '', second.value.unit);
  if (!first.ok) return fail(first.error.message);
  const [a, b]: readonly [number, number] = [first.value.mm, second.value.mm];
  const wrong = outside(a) ?? outside(b);
  return wrong === null ? ok([a, b]) : fail(wrong);
}

/**
 * Reads a scale length, or the two scales of frets that fan out and the fret that stands straight, in either order; mm where no
 * unit is written.
 * @example readScales('25.5 in') → { scale: 647.7 }; readScales('34–32 in at 7') → { fan: { bass: 863.6, treble: 812.8, straight: 7 } }
 */
export function readScales(text: string): Result<ReadScales, string> {
  const one = parseLength(text, 'mm');
  if (one.ok) {
    const wrong = outside(one.value.mm);
    return wrong === null ? ok({ scale: one.value.mm }) : fail(wrong);
  }
  const at = AT.exec(text.trim());
  const two = readTwo((at?.[1] ?? text).trim());
  if (two === null) return fail(one.error.message);
  if (!two.ok) return two;
  if (!at) return fail(`Two scales: which fret stands straight? ${HOW}`);
  const straight = /nut/i.test(at[2] ?? '') ? 0 : Number(at[2]);
  const [bass, treble] = [Math.max(...two.value), Math.min(...two.value)];
  if (straight > MOST_STRAIGHT) return fail(`No fret beyond the ${MOST_STRAIGHT}th stands straight. ${HOW}`);
  if (bass === treble) return ok({ scale: bass });
  if (bass / treble > MOST_FAN) return fail(`${bass} and ${treble} mm are too far apart for one board.`);
  return ok({ scale: middleScale({ bass, treble }), fan: { bass, treble, straight } });
}

/** A length without its useless noughts, three places at the most. */
const plain = (mm: Mm): string => String(Number(mm.toFixed(3)));

/** A scale as it is typed, or both and the straight fret; read again it is the same. */
export const scalesText = ({ scale, fan }: Pick<Scales, 'scale' | 'fan'>): string =>
  fan
    ? `${plain(fan.bass)}–${plain(fan.treble)} at ${fan.straight === 0 ? 'nut' : fan.straight}`
    : String(scale);

/** A scale as it is told: `647.7 mm`, `863.6 to 812.8 mm, straight at fret 7`. */
export const sayScales = ({ scale, fan }: Pick<Scales, 'scale' | 'fan'>): string =>
  fan
    ? `${fan.bass.toFixed(1)} to ${fan.treble.toFixed(1)} mm, straight at ${fan.straight === 0 ? 'the nut' : `fret ${fan.straight}`}`
    : `${scale.toFixed(1)} mm`;

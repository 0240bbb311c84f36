import { fail, ok, type Result } from '../result.ts';
import { parseLength } from '../units/parse-length.ts';
import type { Mm } from '../units/unit-types.ts';
import type { Fan } from './construction-facts.ts';
import { middleScale, type Scales } from './scales.ts';

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

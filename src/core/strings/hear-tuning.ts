import type { Construction } from '../instrument/construction.ts';
import type { StringFact } from '../instrument/construction-facts.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { scaleAcross } from '../instrument/scales.ts';
import { fail, ok, type Result } from '../result.ts';
import { NATURAL, noteFrequency } from './pitch.ts';
import { massOnInstrument } from './string-pull.ts';
import { stringTension } from './unit-mass.ts';

/** The instrument a tuning is heard on; gauges only where somebody said them. */
export interface HeardOn extends Pick<Construction, 'kind' | 'scale' | 'fan' | 'perCourse' | 'compensation'> {
  /** the strings it usually has, lowest first */
  readonly usual: readonly StringFact[];
  /** the gauges that are on, mm and whether wound, lowest first; null where nobody has said */
  readonly gauges: readonly Pick<StringFact, 'gauge' | 'wound'>[] | null;
}

/** A tuning with its octaves, lowest string first, and another reading of it that would do as well. */
export interface HeardTuning {
  readonly notes: readonly string[];
  readonly other: readonly string[] | null;
}

const LETTERS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'] as const;
const NOTE = /^([A-Ga-g])([#♯b♭]?)(\d?)$/;
const LOWEST = 12;
const HIGHEST = 96;
const FOURTH = 5;
/** Semitones a tuning usually lies from the usual one, and a step between neighbours from the usual step. */
const PITCH_SPREAD = 6;
const STEP_SPREAD = 4;
/** Spread of a string's pull, as a ratio's logarithm; an octave is 1.39. */
const PULL_SPREAD = 0.45;
/** Readings whose cost lies closer than this would both do. */
const DOUBT = 2;

interface Typed {
  readonly name: string;
  /** semitones above C */
  readonly pitch: number;
  readonly octave: number | null;
}

/** Reads notes with or without octaves: `D A D G B E`, `DADGBE`, `B1 E2 a2`. */
function readNotes(text: string): Result<readonly Typed[], string> {
  const clean = text.trim();
  const run = /^(?:[A-G][#♯b♭]?\d?){2,}$/.test(clean);
  const parts = run ? (clean.match(/[A-G][#♯b♭]?\d?/g) ?? []) : clean.split(/[\s,;-]+/).filter(Boolean);
  const read: Typed[] = [];
  for (const part of parts) {
    const m = NOTE.exec(part);
    if (!m) return fail(`“${part}” is not a note. Write notes like E or F#2.`);
    const letter = (m[1] ?? '').toUpperCase();
    const bend = /[#♯]/.test(m[2] ?? '') ? 1 : m[2] === '' ? 0 : -1;
    const accidental = bend === 0 ? '' : bend > 0 ? '#' : 'b';
    read.push({
      name: `${letter}${accidental}`,
      pitch: (NATURAL[letter] ?? 0) + bend,
      octave: m[3] === '' || m[3] === undefined ? null : Number(m[3]),
    });
  }
  return ok(read);
}

const midiOf = (note: string): number => {
  const hz = noteFrequency(note);
  return hz.ok ? Math.round(69 + 12 * Math.log2(hz.value / 440)) : NaN;
};

/** The pitch each of `count` strings is expected at: as usual from the highest down, then fourths below. */
function expectedPitches(on: HeardOn, count: number): number[] {
  const usual = on.usual.map((s) => midiOf(s.note));
  // Longer strings of the same make are tuned lower.
  const usualScale = KIND_RECORDS[on.kind].usual.scale;
  const shift = -12 * Math.log2(on.scale / usualScale);
  const all = Array.from({ length: count }, (_, i) => usual[usual.length - count + i]);
  for (let i = count - 1; i >= 0; i--) all[i] ??= (all[i + on.perCourse] ?? usual[0] ?? 52) - FOURTH;
  return all.map((p) => (p ?? 52) + shift);
}

/** ln of the pull strings of an instrument usually have. */
function usualPull(on: HeardOn): number {
  const pulls = on.usual.flatMap((s) => {
    const hz = noteFrequency(s.note);
    return hz.ok
      ? [Math.log(stringTension(massOnInstrument(on, s), on.scale + on.compensation, hz.value))]
      : [];
  });
  return pulls.reduce((sum, p) => sum + p, 0) / Math.max(1, pulls.length);
}

/** How long a string speaks. @param count of the strings that are typed */
function speaking(on: HeardOn, i: number, count: number): number {
  const courses = Math.ceil(count / on.perCourse);
  const across = courses < 2 ? 0 : Math.floor(i / on.perCourse) / (courses - 1);
  return scaleAcross(on, across) + on.compensation;
}

/** What speaks against a string being at a pitch: how far from what is expected, and from the pull its gauge should have. */
function costAt(on: HeardOn, expected: readonly number[]): (string: number, midi: number) => number {
  const pull = usualPull(on);
  return (i, midi) => {
    const off = ((midi - (expected[i] ?? midi)) / PITCH_SPREAD) ** 2;
    const gauge = on.gauges?.[i];
    if (!gauge) return off;
    const mass = massOnInstrument(on, { ...gauge, note: '' });
    const t = Math.log(stringTension(mass, speaking(on, i, expected.length), 440 * 2 ** ((midi - 69) / 12)));
    return off + ((t - pull) / PULL_SPREAD) ** 2;
  };
}

interface Path {
  readonly cost: number;
  readonly pitches: readonly number[];
}

/** The two best ways to give each note its octave: string by string, the best two ways to each octave are kept. */
function bestTwo(
  typed: readonly Typed[],
  expected: readonly number[],
  cost: (string: number, midi: number) => number,
): readonly Path[] {
  const octaves = (t: Typed): number[] =>
    (t.octave === null ? [0, 1, 2, 3, 4, 5, 6] : [t.octave])
      .map((o) => t.pitch + 12 * (o + 1))
      .filter((m) => m >= LOWEST && m <= HIGHEST);
  let paths = new Map<number, readonly Path[]>([[NaN, [{ cost: 0, pitches: [] }]]]);
  typed.forEach((t, i) => {
    const next = new Map<number, readonly Path[]>();
    for (const midi of octaves(t)) {
      const here = cost(i, midi);
      const step = (expected[i] ?? 0) - (expected[i - 1] ?? 0);
      const ways = [...paths].flatMap(([from, some]) =>
        some.map((p) => ({
          cost: p.cost + here + (Number.isNaN(from) ? 0 : ((midi - from - step) / STEP_SPREAD) ** 2),
          pitches: [...p.pitches, midi],
        })),
      );
      next.set(midi, ways.toSorted((a, b) => a.cost - b.cost).slice(0, 2));
    }
    paths = next;
  });
  return [...paths.values()]
    .flat()
    .toSorted((a, b) => a.cost - b.cost)
    .slice(0, 2);
}

const named = (typed: readonly Typed[], pitches: readonly number[]): string[] =>
  typed.map((t, i) => `${t.name}${Math.round(((pitches[i] ?? 0) - t.pitch) / 12) - 1}`);

/** The same note with its letter, some octaves up: the other string of a course. */
const octavesUp = (note: string, by: number): string => note.replace(/\d$/, (o) => String(Number(o) + by));

/** One note a course: each string of it at that note or octaves from it, as the strings it usually has. */
function byCourse(on: HeardOn, heard: HeardTuning): HeardTuning {
  const pairs = (notes: readonly string[]): string[] =>
    notes.flatMap((note, course) => {
      const [first, second] = [on.usual[2 * course], on.usual[2 * course + 1]];
      if (!first || !second) return [note, note];
      return [octavesUp(note, Math.round((midiOf(first.note) - midiOf(second.note)) / 12)), note];
    });
  return { notes: pairs(heard.notes), other: heard.other && pairs(heard.other) };
}

/**
 * Hears a tuning that was typed without its octaves: each note in the octave that makes sense for the instrument's scale, the
 * strings it usually has, and the gauges that are on where somebody said them. Octaves that were typed stand.
 * @param text notes, lowest string first: one a string, or one a course
 * @returns the notes with their octaves, and another reading where two would do
 * @example on a guitar hearTuning('D A D G B E', on) → D2 A2 D3 G3 B3 E4
 */
export function hearTuning(text: string, on: HeardOn): Result<HeardTuning, string> {
  const typed = readNotes(text);
  if (!typed.ok) return typed;
  const count = typed.value.length;
  const courses = on.perCourse === 2 && count * 2 === on.usual.length;
  const single: HeardOn = courses
    ? { ...on, perCourse: 1, usual: on.usual.filter((_, i) => i % 2 === 1), gauges: null }
    : on;
  if (count < 3 || count > 12) return fail(`3 to 12 notes, lowest first; ${count} are written.`);
  if (!courses && count % on.perCourse !== 0) return fail('Strings go in pairs here: one note is missing.');
  if (single.gauges !== null && single.gauges.length !== count)
    return fail(`${single.gauges.length} gauges and ${count} notes are written.`);
  const expected = expectedPitches(single, count);
  const [best, second] = bestTwo(typed.value, expected, costAt(single, expected));
  if (!best) return fail('No string is tuned like that.');
  const doubt = second !== undefined && second.cost - best.cost < DOUBT;
  const heard = {
    notes: named(typed.value, best.pitches),
    other: doubt ? named(typed.value, second.pitches) : null,
  };
  return ok(courses ? byCourse(on, heard) : heard);
}

/**
 * Whether a tuning that was written is another than the strings are tuned to. What cannot be read as notes, one a string or one a
 * course, says nothing.
 * @example isOtherTuning('D A D G A D', [{ note: 'E2' }, { note: 'A2' }, { note: 'D3' }, { note: 'G3' }, { note: 'B3' }, { note: 'E4' }], 1) → true
 */
export function isOtherTuning(
  text: string,
  strings: readonly Pick<StringFact, 'note'>[],
  perCourse: number,
): boolean {
  const typed = readNotes(text);
  if (!typed.ok) return false;
  const said = typed.value.map((t) => ((t.pitch % 12) + 12) % 12);
  const own = strings.map((s) => midiOf(s.note) % 12);
  const lowOfCourse = own.filter((_, i) => i % perCourse === perCourse - 1);
  const each = [own, lowOfCourse].find((all) => all.length === said.length);
  return each !== undefined && said.some((p, i) => p !== each[i]);
}

/**
 * The strings of a tuning: those it usually has from the highest down, each at its note; lower ones that are not usual get the
 * gauge of the lowest usual one, thicker as it is tuned lower, so that they pull alike.
 */
export function stringsOf(usual: readonly StringFact[], notes: readonly string[]): StringFact[] {
  const lowest = usual[0];
  return notes.map((note, i) => {
    const same = usual[usual.length - notes.length + i];
    if (same) return { ...same, note };
    if (!lowest) return { note, gauge: 1, wound: true };
    const ratio = 2 ** ((midiOf(lowest.note) - midiOf(note)) / 12);
    return { note, gauge: Math.round(lowest.gauge * ratio * 1e4) / 1e4, wound: true };
  });
}

/** A pitch's usual name with its octave: 52 → E3. */
export const nameOfPitch = (midi: number): string =>
  `${LETTERS[((midi % 12) + 12) % 12] ?? 'C'}${Math.floor(midi / 12) - 1}`;

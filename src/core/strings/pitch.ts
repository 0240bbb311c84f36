import { fail, ok, type Result } from '../result.ts';
import type { Hz } from '../units/unit-types.ts';

/** Semitones above C of the natural notes. */
export const NATURAL: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const A4 = 69;

export interface PitchError {
  readonly code: 'empty' | 'not-a-pitch';
  readonly message: string;
}

/**
 * Reads a note with its octave, in equal temperament over any reference: `E2`, `Bb3`, `F#4`, `f♯4`.
 * @param text the note; the octave changes at C, A4 is the reference
 * @param reference frequency of A4, Hz
 * @returns Hz
 * @example noteFrequency('E2') → 82.407
 */
export function noteFrequency(text: string, reference: Hz = 440): Result<Hz, PitchError> {
  const m = /^([A-Ga-g])([#♯b♭]?)(-?\d)$/.exec(text.trim());
  if (!m) {
    return fail({
      code: 'not-a-pitch',
      message: `“${text.trim()}” is not a note. Write it like E2, Bb3 or F#4.`,
    });
  }
  const letter = (m[1] ?? '').toUpperCase();
  const bend = /[#♯]/.test(m[2] ?? '') ? 1 : m[2] === '' ? 0 : -1;
  const midi = (NATURAL[letter] ?? 0) + bend + 12 * (Number(m[3]) + 1);
  return ok(reference * 2 ** ((midi - A4) / 12));
}

/**
 * Reads a pitch as a note or as a frequency: `E2`, `82.4`, `82,4 Hz`.
 * @returns Hz
 */
export function parsePitch(text: string, reference: Hz = 440): Result<Hz, PitchError> {
  const clean = text.trim();
  if (clean === '') return fail({ code: 'empty', message: 'Nothing is written here yet.' });
  const m = /^(\d+(?:[.,]\d+)?)\s*(?:hz)?$/i.exec(clean);
  if (!m) return noteFrequency(clean, reference);
  const hz = Number((m[1] ?? '').replace(',', '.'));
  return hz > 0 ? ok(hz) : fail({ code: 'not-a-pitch', message: 'A pitch is over 0 Hz.' });
}

/** Notes of tunings in use, lowest string first, by what they are called at the bench. */
export const TUNINGS: Readonly<Record<string, readonly string[]>> = {
  'guitar, standard': ['E2', 'A2', 'D3', 'G3', 'B3', 'E4'],
  'guitar, a semitone down': ['Eb2', 'Ab2', 'Db3', 'Gb3', 'Bb3', 'Eb4'],
  'guitar, dropped D': ['D2', 'A2', 'D3', 'G3', 'B3', 'E4'],
  'guitar, double dropped D': ['D2', 'A2', 'D3', 'G3', 'B3', 'D4'],
  'guitar, D A D G A D': ['D2', 'A2', 'D3', 'G3', 'A3', 'D4'],
  'guitar, open G': ['D2', 'G2', 'D3', 'G3', 'B3', 'D4'],
  'guitar, open D': ['D2', 'A2', 'D3', 'F#3', 'A3', 'D4'],
  'twelve-string, standard': ['E3', 'E2', 'A3', 'A2', 'D4', 'D3', 'G4', 'G3', 'B3', 'B3', 'E4', 'E4'],
  'twelve-string, a whole tone down': [
    'D3',
    'D2',
    'G3',
    'G2',
    'C4',
    'C3',
    'F4',
    'F3',
    'A3',
    'A3',
    'D4',
    'D4',
  ],
  'bass, four strings': ['E1', 'A1', 'D2', 'G2'],
  'bass, five strings': ['B0', 'E1', 'A1', 'D2', 'G2'],
  'bass, six strings': ['B0', 'E1', 'A1', 'D2', 'G2', 'C3'],
  'ukulele, high G': ['G4', 'C4', 'E4', 'A4'],
  'ukulele, low G': ['G3', 'C4', 'E4', 'A4'],
  'ukulele, baritone': ['D3', 'G3', 'B3', 'E4'],
};

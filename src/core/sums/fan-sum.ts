import { fretAlong, middleScale } from '../instrument/scales.ts';
import { fret, group, length, list, result } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const MOST_FRETS = 40;
const MOST_FAN = 1.25;

export const fanFretsSum = declare({
  id: 'fan-frets',
  title: 'Where frets that fan out stand',
  asks: ['two scales', 'multi scale', 'fan frets', 'slanted nut', 'straight fret', 'lay out a fanned board'],
  input: group({
    bass: length('scale length of the lowest string', 100, 2000),
    treble: length('scale length of the highest string', 100, 2000),
    straight: fret('the fret that stands square to the neck; 0 is the nut', 0),
    frets: list(fret('a fret to report; 0 is the nut', 0), 'the frets to report', 1, MOST_FRETS),
  }),
  output: group({
    frets: list(
      group({
        fret: fret('fret number', 0),
        bass: result('mm', 'from the lowest string’s own nut'),
        treble: result('mm', 'from the highest string’s own nut'),
        lean: result('mm', 'how much nearer the saddle its treble end lies than its bass end'),
      }),
      'the frets, in the order asked',
      1,
      MOST_FRETS,
    ),
    saddle: result(
      'mm',
      'how much nearer the tail the theoretical saddle’s treble end lies than its bass end',
    ),
  }),
  formula: 'x_n(L) = L·(1 − 2^(−n/12)) along each string; all strings’ fret k on one square line',
  source: 'Equal temperament on each string by itself; the strings lie so that their straight frets meet.',
  assumptions: ['The outer strings run side by side.', 'The saddle without its compensation.'],
  why: 'Each string is divided as its own scale says; only where the strings begin decides how the frets lean.',
  example: { bass: 863.6, treble: 812.8, straight: 7, frets: [0, 7, 12, 24] },
  run: (i) => {
    if (i.bass < i.treble) return refuse('bass', 'the lowest string has the longer scale.');
    if (i.bass / i.treble > MOST_FAN) return refuse('treble', 'the scales are too far apart for one board.');
    const fan = { bass: i.bass, treble: i.treble, straight: i.straight };
    const neck = { scale: middleScale(fan), fan };
    const at = (across: number, n: number) => fretAlong(neck, across, n);
    const own = (across: number, n: number) => at(across, n) - at(across, 0);
    return answer({
      frets: i.frets.map((n) => ({ fret: n, bass: own(0, n), treble: own(1, n), lean: at(1, n) - at(0, n) })),
      saddle: at(1, 0) + i.treble - at(0, 0) - i.bass,
    });
  },
  words: (_i, o, say) => {
    const leans = (mm: number): string =>
      Math.abs(mm) < 0.005
        ? 'square'
        : `its treble end ${say.length(Math.abs(mm))} nearer the ${mm > 0 ? 'saddle' : 'nut'}`;
    return [
      ...o.frets.map((f) =>
        f.fret === 0
          ? `Nut: ${leans(f.lean)}.`
          : `Fret ${f.fret}: ${say.length(f.bass)} along the lowest string, ${say.length(f.treble)} along the highest; ${leans(f.lean)}.`,
      ),
      `Saddle: ${leans(o.saddle)}.`,
    ];
  },
});

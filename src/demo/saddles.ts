import type { CutPlace } from '../core/work/cuts.ts';
import type { DemoJob } from './jobs.ts';
import { found, left } from './rounds.ts';

type Cut = readonly [place: CutPlace, meant: number, took: number];

/** A side of a saddle taken down in two cuts, mm: a first one short of the whole, then the rest. */
const side = (place: CutPlace, first: readonly [number, number], rest: readonly [number, number]): Cut[] => [
  [place, ...first],
  [place, ...rest],
];

interface SaddleVisit {
  readonly number: number;
  readonly taken: number;
  readonly serial: string;
  readonly complaint: string;
  /** 64ths: as found and as left, bass and treble */
  readonly action: readonly [string, string, string, string];
  readonly gaps: string;
  readonly cents: string;
  readonly cuts: readonly Cut[];
}

const SIX = ['.004 .004 .004 .003 .003 .003', '2 1 1 1 0 2'] as const;
const TWELVE = [
  '.004 .004 .004 .004 .004 .004 .004 .004 .003 .003 .003 .003',
  '1 2 1 2 1 1 2 1 0 1 1 2',
] as const;

const VISITS: readonly SaddleVisit[] = [
  {
    number: 331,
    taken: -520,
    serial: 'OR12-0021',
    complaint: 'Too high past the fifth fret.',
    action: ['7/64', '6/64', '5/64', '4/64'],
    gaps: TWELVE[0],
    cents: TWELVE[1],
    cuts: [...side('bass', [1.2, 1.18], [0.4, 0.45]), ...side('treble', [1.2, 1.3], [0.33, 0.32])],
  },
  {
    number: 356,
    taken: -330,
    serial: 'WO-21008',
    complaint: 'Stiff since it is new.',
    action: ['6.5/64', '5.5/64', '5/64', '4/64'],
    gaps: SIX[0],
    cents: SIX[1],
    cuts: [...side('bass', [0.95, 1.01], [0.18, 0.19]), ...side('treble', [0.95, 0.92], [0.26, 0.28])],
  },
  {
    number: 383,
    taken: -170,
    serial: 'OR12-0021',
    complaint: 'It has come up again, on the low strings most.',
    action: ['6/64', '4.5/64', '5/64', '4/64'],
    gaps: TWELVE[0],
    cents: TWELVE[1],
    cuts: [...side('bass', [0.64, 0.67], [0.12, 0.12]), ...side('treble', [0.32, 0.31], [0.09, 0.09])],
  },
  {
    number: 394,
    taken: -90,
    serial: 'WO-21008',
    complaint: 'It came up over the summer.',
    action: ['6/64', '5/64', '5/64', '4/64'],
    gaps: SIX[0],
    cents: SIX[1],
    cuts: [...side('bass', [0.64, 0.66], [0.14, 0.15]), ...side('treble', [0.64, 0.71], [0.11, 0.11])],
  },
];

/** Of six strings and of twelve. */
const RELIEF = ['.007', '.005'] as const;

/** Visits of years before in which a saddle was taken down, each cut logged as it was made. */
export const saddleVisits = (): readonly (DemoJob & { readonly number: number })[] =>
  VISITS.map(({ number, taken, serial, complaint, action, gaps, cents, cuts }) => {
    const relief = RELIEF[gaps === TWELVE[0] ? 1 : 0];
    return {
      number,
      serial,
      taken,
      due: taken + 9,
      complaint,
      touch: 'light',
      plays: 'fingerstyle',
      place: 'A2',
      inspected: 1,
      rounds: [
        found(relief, action[0], action[1], gaps, cents),
        left(relief, action[2], action[3], gaps, cents),
      ],
      cuts: cuts.map(([place, meant, took]) => [place, `${meant} mm`, `${took} mm`] as const),
      add: ['saddle-lower', 'play-test'],
      approve: true,
      worked: 9,
      signed: true,
    };
  });

import { seeded } from '../core/seeded.ts';
import type { DemoJob } from './jobs.ts';
import { found, left } from './rounds.ts';

/** An instrument the shop has known for years: its visits as days before today, each with its number. */
const VISITS = [
  [23, -1790],
  [88, -1580],
  [141, -1400],
  [203, -1130],
  [266, -890],
  [318, -560],
  [372, -230],
] as const;

const DAY = 86_400_000;
const MM_A_THOU = 0.0254;
/** What this neck does: relief for an eighth of a turn and for 10 % of humidity, mm. */
const AN_EIGHTH = 0.078;
const TEN_PERCENT = 0.045;
/** Where it is set, mm. */
const AIM = 0.18;

/** The air of the shop on a day of the year: damp in July, dry in January. */
function airOn(at: number, off: number): readonly [temperature: number, humidity: number] {
  const year = Math.cos((2 * Math.PI * (at / DAY - 200)) / 365.25);
  return [Math.round(21 + 2 * year), Math.round(45 + 14 * year + off)];
}

const thou = (mm: number): string =>
  `${mm < 0 ? '-' : ''}.${String(Math.round(Math.abs(mm) / MM_A_THOU)).padStart(3, '0')}`;
const half64ths = (mm: number): string => `${Math.round((mm * 128) / 25.4) / 2}/64`;

/** A slight hump at the 9th, as the straightedge showed it at two of its visits, mm. */
const HUMPS: Readonly<Record<number, number>> = { 266: 0.02, 372: 0.05 };

/** The gaps under a straightedge along both edges: the bow, less what stands up at the 9th. */
function underEdge(relief: number, hump: number): Readonly<Record<string, string>> {
  const bow: readonly (readonly [fret: number, share: number])[] = [
    [3, 0.35],
    [5, 0.58],
    [7, 0.7],
    [9, 0.66],
    [12, 0.42],
  ];
  return Object.fromEntries(
    bow.flatMap(([fret, share]) =>
      ([3, 1] as const).map((edge) => [
        `straightedge:${edge}:${fret}`,
        (share * relief - (fret === 9 ? hump : 0)).toFixed(2),
      ]),
    ),
  );
}

const COMPLAINTS = [
  'It was my aunt’s. I want it to be easy.',
  'It has come up over the summer.',
  'Buzzes at the first frets since the heating is on.',
  'Higher again, and I play more now.',
  'Buzzes on the low strings, as every winter.',
  'Stiff, before a summer of weddings.',
  'Setup, as every year.',
];

/**
 * Visits over five years of one semi-hollow whose neck follows the air: each finds what the air has done since the last, turns the
 * rod, and leaves it where it is set. The seasons are those of the days the visits fall on.
 * @param today ms since the epoch
 */
export function longLife(today: number): readonly (DemoJob & { readonly number: number })[] {
  const random = seeded(21);
  let [relief, humidity] = [0.3, 45];
  return VISITS.map(([number, taken], i) => {
    const air = airOn(today + taken * DAY, 6 * (random() - 0.5));
    const came = i === 0 ? relief : relief + (TEN_PERCENT * (air[1] - humidity)) / 10;
    const eighths = Math.max(-2, Math.min(2, Math.round((came - AIM) / AN_EIGHTH)));
    const read = 0.006 * (random() - 0.5);
    const after = came - AN_EIGHTH * eighths + read;
    const action = (at: number, base: number): string => half64ths(base + 1.7 * (at - AIM));
    [relief, humidity] = [after, air[1]];
    return {
      number,
      serial: 'KL-0107',
      taken,
      due: taken + 10,
      complaint: COMPLAINTS[i] ?? '',
      touch: 'medium',
      plays: 'strums, weddings',
      place: 'A1',
      inspected: 1,
      rounds: [
        {
          ...found(
            thou(came),
            action(came, 1.75),
            action(came, 1.42),
            '.004 .004 .004 .003 .003 .003',
            '2 1 1 1 0 1',
            '3.4',
          ),
          air,
          ...(HUMPS[number] !== undefined && { more: underEdge(came, HUMPS[number]) }),
        },
        {
          ...left(
            thou(after),
            action(after, 1.75),
            action(after, 1.42),
            '.004 .004 .004 .003 .003 .003',
            '1 1 0 1 0 1',
            '3.4',
          ),
          air,
        },
      ],
      ...(eighths !== 0 && { turns: [[eighths, thou(after)] as const] }),
      add: eighths === 0 ? ['play-test'] : ['rod', 'play-test'],
      approve: true,
      worked: 9,
      signed: true,
    };
  });
}

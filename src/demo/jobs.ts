import type { View } from '../core/instrument/outline.ts';
import type { OperationId } from '../core/catalogue/operation-ids.ts';
import type { Wait } from '../core/job/waiting.ts';
import type { CutPlace } from '../core/work/cuts.ts';
import type { Touch } from '../core/targets/target.ts';
import { MAPPED } from './fret-map.ts';
import { found, left, type DemoRound } from './rounds.ts';

/** One job's story. Days count from today, negative is the past. */
export interface DemoJob {
  readonly serial: string;
  readonly taken: number;
  readonly due: number | null;
  readonly hard?: string;
  readonly complaint: string;
  readonly touch: Touch;
  readonly plays: string;
  readonly wish?: string;
  readonly strings?: 'missing' | 'off-pitch';
  readonly things?: readonly string[];
  /** damage already there: where on which side, in words; the first is photographed */
  readonly damage?: ReadonlyArray<readonly [view: View, x: number, y: number, words: string]>;
  /** parts taken off, one a bag */
  readonly bags?: readonly string[];
  readonly place: string;
  /** share of the checklist answered, and what needs work there */
  readonly inspected?: number;
  readonly needsWork?: Readonly<Record<string, string>>;
  /** what was found there, by its name on the item */
  readonly found?: Readonly<Record<string, string>>;
  /** turns logged at the rod: eighths, tightening positive, and what it read then */
  readonly turns?: readonly (readonly [eighths: number, after: string])[];
  /** cuts logged at the saddle: where, what was meant, what came off */
  readonly cuts?: readonly (readonly [place: CutPlace, meant: string, took: string])[];
  readonly rounds?: readonly DemoRound[];
  /** accept what is proposed */
  readonly accept?: boolean;
  readonly add?: readonly OperationId[];
  readonly approve?: boolean;
  /** how many steps are finished; a half more means the next one is running */
  readonly worked?: number;
  /**
   * days since it was taken in when work begins, where that is later than the customer’s yes; lately: some hours ago, so that what rests
   * then rests still
   */
  readonly workedFrom?: number | 'lately';
  /** what went wrong at the bench, and its remedy */
  readonly accident?: readonly [happened: string, remedy: string];
  /** what was found while inside and asks for the customer's word */
  readonly change?: readonly [operation: OperationId, found: string];
  readonly note?: string;
  readonly question?: readonly [to: string, words: string];
  readonly handedTo?: readonly [to: string, state: string, tried: string, beware: string];
  /** how many days after it came they were told by telephone that it is ready, and what was said */
  readonly called?: readonly [days: number, note: string];
  readonly waits?: { readonly for: Wait; readonly note: string };
  readonly signed?: boolean;
}

/** The jobs of the demo shop: past visits first, then what is in the house, on every leaf. */
export const DEMO_JOBS: readonly DemoJob[] = [
  {
    serial: 'WH-0401',
    taken: -720,
    due: -710,
    complaint: 'Hard to press down at the first frets.',
    touch: 'light',
    plays: 'fingerstyle',
    place: 'A1',
    inspected: 1,
    rounds: [
      {
        ...found('.012', '7/64', '5/64', '.009 .009 .008 .008 .007 .007', '3 2 3 2 1 3', '4.2'),
        air: [22, 58],
      },
      {
        ...left('.008', '5/64', '4/64', '.004 .004 .004 .004 .003 .003', '1 1 0 1 0 1', '3.1'),
        air: [22, 55],
      },
    ],
    accept: true,
    approve: true,
    worked: 9,
    signed: true,
  },
  {
    serial: 'WH-0401',
    taken: -350,
    due: -340,
    complaint: 'It has come up again over the winter.',
    touch: 'light',
    plays: 'fingerstyle',
    place: 'A1',
    inspected: 1,
    rounds: [
      {
        ...found('.014', '6/64', '5/64', '.004 .004 .004 .004 .003 .003', '2 1 1 1 0 1', '3.1'),
        air: [21, 49],
      },
      {
        ...left('.008', '5/64', '4/64', '.004 .004 .004 .004 .003 .003', '1 0 0 1 0 0', '2.8'),
        air: [21, 46],
      },
    ],
    accept: true,
    approve: true,
    worked: 9,
    signed: true,
  },
  {
    serial: 'MP-0391',
    taken: -30,
    due: -20,
    complaint: 'Strings buzz everywhere.',
    touch: 'medium',
    plays: 'strums',
    place: 'A2',
    inspected: 1,
    rounds: [
      found('.003', '2.4 mm', '2.3 mm', '.006 .006 .006 .005', '2 1 2 3'),
      left('.002', '2.4 mm', '2.4 mm', '.006 .006 .006 .005', '1 1 0 2'),
    ],
    add: ['play-test'],
    approve: true,
    worked: 9,
    called: [21, 'fetches it when she is back'],
    waits: { for: 'home', note: '' },
  },
  {
    serial: 'KS-0396',
    taken: -12,
    due: -1,
    complaint: 'Goes out of tune when I use the arm.',
    touch: 'medium',
    plays: 'band, bends a lot',
    things: ['gig bag', 'arm', 'spare spring'],
    place: 'A3',
    inspected: 1,
    needsWork: { grip: 'pings at the 3rd and 4th string' },
    rounds: [
      found('.010', '4.5/64', '4/64', '.006 .006 .005 .003 .003 .002', '4 3 2 1 5 2'),
      left('.007', '4.25/64', '3.5/64', '.003 .003 .003 .003 .003 .002', '1 1 0 0 1 1'),
    ],
    accept: true,
    approve: true,
    worked: 9,
    called: [10, ''],
    waits: { for: 'home', note: '' },
  },
  {
    serial: 'OR12-0398',
    taken: -8,
    due: 6,
    complaint: 'The bridge is lifting at the back.',
    touch: 'medium',
    plays: 'strums',
    things: ['hard case'],
    place: 'B1',
    inspected: 1,
    needsWork: { 'bridge-lift': 'paper goes 6 mm under the back edge' },
    rounds: [
      found(
        '.009',
        '6.5/64',
        '5/64',
        '.005 .005 .004 .004 .003 .003 .003 .003 .004 .003 .002 .002',
        '3 4 2 2 1 2 3 1 2 1 2 1',
        '3.8',
      ),
    ],
    accept: true,
    approve: true,
    worked: 3,
    workedFrom: 'lately',
    waits: { for: 'time', note: 'glue under the bridge, in clamps' },
  },
  {
    serial: 'WH-0401',
    taken: -6,
    due: 5,
    complaint: 'Back-bow since the heating came on; frets out in the middle.',
    touch: 'light',
    plays: 'fingerstyle',
    wish: 'as it was last year',
    things: ['hard case', 'truss rod key'],
    place: 'B2',
    inspected: 1,
    needsWork: { 'fret-level': '9th rocks, bass side, .003' },
    rounds: [
      {
        ...found('-.002', '4/64', '3/64', '.004 .003 .003 .004 .003 .002', '1 2 1 0 1 2', '2.8'),
        air: [20.5, 31],
        more: MAPPED,
      },
    ],
    accept: true,
    approve: true,
    worked: 1,
    waits: { for: 'time', note: 'under tension, 3 days' },
  },
  {
    serial: 'KB5-0405',
    taken: -5,
    due: 8,
    complaint: 'Neck will not come straight.',
    touch: 'heavy',
    plays: 'slaps',
    place: 'B3',
    inspected: 1,
    needsWork: { rod: 'half a turn to go, then it stops' },
    found: { rod: 'at-its-end' },
    rounds: [found('.026', '8/64', '6/64', '.009 .008 .007 .006 .006', '4 3 3 2 4')],
    accept: true,
    approve: true,
    worked: 0,
    waits: { for: 'time', note: 'two days in the room’s air before the clamp' },
  },
  {
    serial: 'AV-0409',
    taken: -4,
    due: 2,
    hard: 'recording',
    complaint: 'Buzzes on the G, only sitting down.',
    touch: 'medium',
    plays: 'chord melody',
    place: 'C1',
    inspected: 1,
    needsWork: { 'nut-cracks': 'split under the 5th string' },
    rounds: [found('.006', '5/64', '4/64', '.002 .001 .003 .003 .002 .002', '2 6 1 2 3 1')],
    accept: true,
    waits: { for: 'word', note: 'new nut: wants a call' },
  },
  {
    serial: 'KB4-0412',
    taken: -4,
    due: 2,
    complaint: 'Action climbs up the neck.',
    touch: 'heavy',
    plays: 'picks hard, band',
    things: ['gig bag'],
    bags: ['old nut', 'two bridge screws, rusted'],
    place: 'Bench 2',
    inspected: 1,
    rounds: [found('.022', '7.5/64', '6/64', '.007 .006 .005 .005', '4 3 3 2')],
    accept: true,
    approve: true,
    worked: 1,
    turns: [[1, '']],
    accident: [
      'A flake of finish came off with the tape behind the nut.',
      'Dropped in and levelled; seen from near only.',
    ],
    change: ['socket', 'The socket turns in its hole; its tail is half broken.'],
    note: 'Rod answers well: an eighth gives about .004.',
    handedTo: [
      'Tomas Vey',
      'Rod is moved, nothing read since.',
      'an eighth at the rod',
      'its key is worn: press it home',
    ],
  },
  {
    serial: 'OR-0414',
    taken: -3,
    due: 7,
    complaint: 'First frets are worn through under the plain strings.',
    touch: 'medium',
    plays: 'picks and strums',
    place: 'C2',
    inspected: 1,
    needsWork: { 'fret-wear': 'pits at 1 to 3' },
    rounds: [found('.009', '5.5/64', '4.5/64', '.005 .005 .004 .004 .003 .003', '2 1 2 1 2 1', '3.4')],
    accept: true,
  },
  {
    serial: 'MS-0416',
    taken: -3,
    due: 12,
    complaint: 'My daughter cannot press it down.',
    touch: 'light',
    plays: 'lessons',
    place: 'C3',
    inspected: 0.6,
    question: ['Nadia Brook', 'Would you fill these slots, or cut a new nut for a student’s guitar?'],
    waits: { for: 'word', note: 'Ilse asks Nadia about the nut' },
  },
  {
    serial: 'WO-09417',
    taken: -2,
    due: 4,
    hard: 'on stage',
    complaint: 'It plays stiff since summer, and the top string buzzes when I dig in.',
    touch: 'medium',
    plays: 'strums, stage',
    wish: 'a little lower than now, no buzz',
    things: ['hard case, one latch loose', 'strap', 'truss rod key'],
    damage: [
      ['front', 0.83, 0.79, 'chip in the lacquer at the lower bout, and a scratch from it'],
      ['front', 0.5, 0.57, 'pick wear beside the soundhole'],
      ['back', 0.36, 0.9, 'buckle rash'],
      ['head', 0.24, 0.2, 'corner dinged'],
    ],
    place: 'Bench 1',
    inspected: 1,
    needsWork: { board: 'dry as a bone', 'fret-level': '9th rocks, bass side, .003' },
    rounds: [found('.014', '7.5/64', '4.5/64', '.004 .003 .004 .003 .005 .002', '3 2 1 4 2 0', '4.1')],
  },
  {
    serial: 'MP-0419',
    taken: -6,
    due: -1,
    complaint: 'Open A rattles.',
    touch: 'medium',
    plays: 'strums',
    place: 'D1',
    inspected: 1,
  },
  {
    serial: 'AC-0420',
    taken: -1,
    due: 9,
    complaint: 'Setup before the exam.',
    touch: 'medium',
    plays: 'classical',
    place: 'D2',
    inspected: 0.3,
  },
  {
    serial: 'KL-0422',
    taken: 0,
    due: 11,
    complaint: 'Crackles; one string is off.',
    touch: 'medium',
    plays: 'jazz',
    strings: 'missing',
    things: ['hard case'],
    place: 'D3',
  },
];

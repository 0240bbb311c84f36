import type { OperationId } from '../core/catalogue/operation-ids.ts';
import type { DemoJob } from './jobs.ts';

interface Waiting {
  readonly serial: string;
  readonly taken: number;
  readonly due: number;
  readonly complaint: string;
  readonly plays: string;
  readonly place: string;
  readonly add: readonly OperationId[];
}

/** Long work that was agreed at the counter and waits for its turn: what fills the shop's next two weeks. */
const WAITING: readonly Waiting[] = [
  {
    serial: 'K98-2213',
    taken: -9,
    due: 13,
    complaint: 'Frets are down to the board.',
    plays: 'band, bends a lot',
    place: 'E1',
    add: ['refret', 'nut-new', 'play-test'],
  },
  {
    serial: 'WH-8833',
    taken: -9,
    due: 16,
    complaint: 'High up the neck nobody can press it down, and the saddle has nothing left to give.',
    plays: 'fingerstyle',
    place: 'E2',
    add: ['neck-reset', 'fret-dress', 'saddle-new', 'play-test'],
  },
  {
    serial: 'OR12-1107',
    taken: -7,
    due: 17,
    complaint: 'The bridge is cracked along the pins.',
    plays: 'strums',
    place: 'E3',
    add: ['bridge-new', 'bridge-plate', 'saddle-new', 'play-test'],
  },
  {
    serial: 'AB-7914',
    taken: -7,
    due: 18,
    complaint: 'Wants bigger frets and a nut that fits them.',
    plays: 'lead, light strings',
    place: 'E4',
    add: ['refret', 'nut-new', 'play-test'],
  },
  {
    serial: 'OL-1402',
    taken: -6,
    due: 12,
    complaint: 'Hums in every room, and one pickup is weak.',
    plays: 'fingers, stage',
    place: 'F1',
    add: ['shield', 'wiring', 'pickup-new', 'fret-dress', 'play-test'],
  },
  {
    serial: 'AV-7103',
    taken: -6,
    due: 19,
    complaint: 'Something is loose inside, and the binding comes off at the waist.',
    plays: 'chord melody',
    place: 'F2',
    add: ['brace-glue', 'binding-glue', 'finish-touch', 'play-test'],
  },
  {
    serial: 'WO-15032',
    taken: -5,
    due: 20,
    complaint: 'A hump where the neck meets the body, frets worn on both sides of it.',
    plays: 'picks hard',
    place: 'F3',
    add: ['board-plane', 'refret', 'nut-new', 'play-test'],
  },
  {
    serial: 'WO-97720',
    taken: -4,
    due: 21,
    complaint: 'The neck has come up; it was like this when I bought it.',
    plays: 'flatpicks',
    place: 'F4',
    add: ['neck-reset', 'fret-dress', 'saddle-new', 'play-test'],
  },
];

/** Their places, on the wall behind the benches. */
export const BACKLOG_PLACES: readonly string[] = WAITING.map((w) => w.place);

/** These as jobs of the demo shop. */
export const BACKLOG: readonly DemoJob[] = WAITING.map((w) => ({ ...w, touch: 'medium', approve: true }));

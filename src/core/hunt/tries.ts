import { CAUSES, CAUSE_IDS, WHERE, type CauseId } from './causes.ts';

/** What one may do to a noise, and what it may do then. */
export interface Try {
  readonly name: string;
  readonly how: string;
  /** likely minutes */
  readonly minutes: number;
  /** what may come of it, by what is kept */
  readonly answers: Readonly<Record<string, string>>;
  /** how likely each answer is, by cause */
  readonly likely: (cause: CauseId) => Readonly<Record<string, number>>;
}

/** Nothing is impossible: a noise surprises. */
const LEAST = 0.01;

type Hundredths = Partial<Readonly<Record<CauseId, number>>>;

const STOPS = { stops: 'it stops', less: 'it is less', same: 'it stays' } as const;

/**
 * A try that quietens some causes.
 * @param stops how likely it stops each, in hundredths; hardly any other
 */
const quietens = (name: string, how: string, minutes: number, stops: Hundredths): Try => ({
  name,
  how,
  minutes,
  answers: STOPS,
  likely: (cause) => {
    const sure = (stops[cause] ?? 1) / 100;
    // What may stop it often only makes it less.
    return { stops: sure, less: 0.4 * sure * (1 - sure) + 0.02, same: 1 - sure };
  },
});

/**
 * A look that shows some causes.
 * @param shows what is seen, with how likely it is for each cause, in hundredths, and for the rest
 * @param else what is seen where none of that is
 */
const looks = (
  name: string,
  how: string,
  minutes: number,
  answers: Readonly<Record<string, string>>,
  shows: Readonly<Record<string, { readonly of: Hundredths; readonly rest: number }>>,
): Try => ({
  name,
  how,
  minutes,
  answers,
  likely: (cause) => {
    const seen = Object.entries(shows).map(
      ([answer, { of, rest }]) => [answer, (of[cause] ?? rest) / 100] as const,
    );
    const none = Math.max(LEAST, 1 - seen.reduce((sum, [, p]) => sum + p, 0));
    const other = Object.keys(answers).find((a) => !(a in shows)) ?? '';
    return { ...Object.fromEntries(seen), [other]: none };
  },
});

/** In the order one goes in without any judgement. */
export const TRIES = {
  position: looks(
    'Play it as it is played',
    'Sitting or standing, as the player holds it, not on its back.',
    2,
    {
      played: 'only when it is played so',
      bench: 'gone when it is played so',
      both: 'there as on the bench',
    },
    {
      played: { of: { brace: 30, wire: 25, outside: 60, guard: 15, hand: 20, 'back-bow': 12 }, rest: 4 },
      bench: { of: {}, rest: 4 },
    },
  ),
  where: {
    name: 'Chart where it appears',
    how: 'Every string, open and up the neck: which strings, frets and pitches.',
    minutes: 5,
    answers: WHERE,
    likely: (cause: CauseId) =>
      Object.fromEntries(Object.keys(WHERE).map((w, i) => [w, (CAUSES[cause].where[i] ?? 0) / 100])),
  },
  capo: quietens('A capo at 1', 'Play above it as if it were open.', 2, {
    'nut-low': 97,
    'nut-shape': 95,
    tuner: 12,
    'after-length': 15,
  }),
  'behind-nut': quietens('Touch the strings behind the nut', 'A finger or felt between nut and tuners.', 1, {
    'nut-shape': 70,
    tuner: 20,
    'after-length': 60,
  }),
  'behind-bridge': quietens('Touch the strings behind the bridge', 'A finger or felt behind the saddle.', 1, {
    'after-length': 65,
    'saddle-part': 20,
    pins: 15,
  }),
  tuners: quietens(
    'Hold each tuner',
    'A small stick or a finger on post, bush and button while somebody plucks.',
    2,
    { tuner: 96, 'after-length': 5 },
  ),
  bridge: quietens('Hold the parts of the bridge', 'A stick on each saddle, screw and spring.', 2, {
    'saddle-part': 95,
    'saddle-top': 12,
  }),
  pins: quietens('Hold pins and buttons', 'Each pin, the end pin, the strap button, the socket’s nut.', 2, {
    pins: 95,
    wire: 10,
  }),
  guard: quietens('Press guard, binding and plates', 'With a flat thumb, one after the other.', 2, {
    guard: 96,
  }),
  wires: quietens('Hold wires, battery and knobs', 'Where a hand reaches them; knobs from outside.', 3, {
    wire: 94,
  }),
  inside: quietens('A hand inside, under each brace', 'Strings slack enough to reach in.', 6, {
    brace: 92,
    wire: 30,
  }),
  softer: looks(
    'Pluck softer, and let go cleanly',
    'Half as hard, at the same place.',
    1,
    { stops: 'it stops', less: 'it is less', same: 'it stays' },
    {
      stops: {
        of: {
          hand: 88,
          'low-action': 55,
          'back-bow': 45,
          hump: 35,
          'high-fret': 35,
          'worn-fret': 35,
          'nut-low': 30,
        },
        rest: 6,
      },
      less: {
        of: {
          hand: 10,
          'low-action': 35,
          'back-bow': 40,
          hump: 45,
          'high-fret': 45,
          'worn-fret': 45,
          'nut-low': 50,
        },
        rest: 40,
      },
    },
  ),
  action: looks(
    'Read the action against its band for this touch',
    'At the 12th, in playing position.',
    2,
    { under: 'under its band', within: 'in its band, or over it' },
    { under: { of: { 'low-action': 90, 'back-bow': 45, hand: 8, hump: 20 }, rest: 15 } },
  ),
  paper: quietens('Paper under the string in its nut slot', 'A strip of thin paper; pluck it open.', 2, {
    'nut-low': 95,
    'nut-shape': 25,
  }),
  slot: looks(
    'Look at the nut slot under a loupe',
    'Where does the string leave it: at the front edge, or behind?',
    2,
    { behind: 'it leaves behind the edge, or lies loose', edge: 'cleanly at the front edge' },
    { behind: { of: { 'nut-shape': 92 }, rest: 7 } },
  ),
  rocker: looks(
    'A rocker over the frets in front',
    'Three frets at a time from where it buzzes toward the bridge.',
    3,
    { rocks: 'it rocks', still: 'it lies still' },
    { rocks: { of: { 'high-fret': 93, 'loose-fret': 72, hump: 50, 'worn-fret': 25 }, rest: 5 } },
  ),
  frets: looks(
    'Look along the frets there under a loupe',
    'Pits under the strings; ends that stand off the board.',
    2,
    { worn: 'worn pits there', lifted: 'an end or fret stands off', fine: 'neither' },
    {
      worn: { of: { 'worn-fret': 93, 'high-fret': 10, hump: 8 }, rest: 6 },
      lifted: { of: { 'loose-fret': 84, 'high-fret': 6 }, rest: 2 },
    },
  ),
  'press-fret': quietens(
    'Press the fret down beside the string',
    'With something of wood; it is not hammered.',
    2,
    { 'loose-fret': 90, 'high-fret': 5 },
  ),
  relief: looks(
    'Look at the relief',
    'First and last fret pressed; then a straightedge along the frets.',
    3,
    { straight: 'dead straight or bent back', rise: 'a rise somewhere', right: 'as it should be' },
    {
      straight: { of: { 'back-bow': 90, 'low-action': 12, rod: 20 }, rest: 6 },
      rise: { of: { hump: 88, 'high-fret': 20, 'loose-fret': 10 }, rest: 4 },
    },
  ),
  slap: looks(
    'Slap the back of the neck with a flat hand',
    'Strings damped: what is loose in it answers.',
    1,
    { rattles: 'it rattles in the neck', quiet: 'it is quiet' },
    { rattles: { of: { rod: 92, tuner: 15, guard: 5 }, rest: 2 } },
  ),
  rod: quietens(
    'Loosen the rod by an eighth of a turn',
    'Read before and after, log the turn; stop where it resists.',
    8,
    { 'back-bow': 80, 'low-action': 30, rod: 55 },
  ),
  string: quietens('Another string in its place', 'Of the same gauge, tuned and stretched.', 8, {
    'bad-string': 95,
    'nut-shape': 5,
  }),
  crown: quietens(
    'A thin card between string and saddle',
    'A sliver of plastic at the saddle’s front edge.',
    3,
    { 'saddle-top': 92, 'saddle-part': 12, 'low-action': 10 },
  ),
  room: quietens(
    'Another chair, another room, no watch and no buttons',
    'Whatever may sound along goes away.',
    3,
    { outside: 96 },
  ),
} as const satisfies Readonly<Record<string, Try>>;

export type TryId = keyof typeof TRIES;
export const TRY_IDS = Object.keys(TRIES) as TryId[];

export const isTryId = (text: string): text is TryId => Object.hasOwn(TRIES, text);

/** The answers of a try, in the order they are offered. */
export const answersOf = (id: TryId): readonly string[] => Object.keys(TRIES[id].answers);

/** What an answer is called. */
export const answerWords = (id: TryId, answer: string): string =>
  (TRIES[id].answers as Readonly<Record<string, string>>)[answer] ?? answer;

/** How likely each answer of a try is where it is a cause, summing to one. */
function table(id: TryId): Readonly<Record<CauseId, Readonly<Record<string, number>>>> {
  const one = (cause: CauseId): Readonly<Record<string, number>> => {
    const said: Readonly<Record<string, number>> = TRIES[id].likely(cause);
    const all = answersOf(id).map((a) => [a, Math.max(LEAST, said[a] ?? 0)] as const);
    const sum = all.reduce((s, [, p]) => s + p, 0);
    return Object.fromEntries(all.map(([a, p]) => [a, p / sum]));
  };
  return Object.fromEntries(CAUSE_IDS.map((c) => [c, one(c)])) as ReturnType<typeof table>;
}

/** How likely an answer is, by try, cause and answer. */
export const LIKELY = Object.fromEntries(TRY_IDS.map((id) => [id, table(id)])) as Readonly<
  Record<TryId, Readonly<Record<CauseId, Readonly<Record<string, number>>>>>
>;

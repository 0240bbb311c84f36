import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Construction } from '../instrument/construction.ts';
import { acrossOf, isAdjustable, stringNumber } from '../instrument/construction.ts';
import { ratioOf } from '../neck/rod-to-action.ts';
import type { Quantity } from '../readings/quantities.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey, stationsOf, type Station } from '../readings/stations.ts';
import { pullToRelief } from '../strings/pull-to-relief.ts';
import { pulls } from '../strings/string-pull.ts';
import { resolveTarget } from '../targets/resolve.ts';
import type { Target, Touch } from '../targets/target.ts';
import { consequences, type Outcome } from '../whatif/consequences.ts';
import { NO_MOVES, type Moves } from '../whatif/moves.ts';
import { PER_GAP, type NeckModel } from '../whatif/neck-model.ts';

/** Something wrong that is seen and mended as a whole, and what it moves as long as it is there. */
export interface Flaw {
  /** what inspection finds: the item of the list and the finding on it, `controls:crackles` */
  readonly finding: string;
  /** what else of the list shows it */
  readonly also?: readonly string[] | undefined;
  /** what mends it, and at which string where it is one string's */
  readonly operation: OperationId;
  readonly string?: number | undefined;
  /** mm at the saddle, both sides */
  readonly saddle?: number | undefined;
  /** what it adds to the fretted 12th of each string, cents, lowest first */
  readonly cents?: readonly number[] | undefined;
  /** what is heard besides a note, on these strings or on all of them */
  readonly heard?: { readonly says: string; readonly strings?: readonly number[] | undefined } | undefined;
  /** by how much it puts a reading off, in its unit, wherever it is read */
  readonly reads?: Readonly<Partial<Record<Quantity, number>>> | undefined;
  /** the pitch at which something rattles along, in semitones over C, 0 to 11 */
  readonly rattles?: number | undefined;
}

/** The truth of a simulated instrument: a sound one, and what was done to it since. Lengths in mm. */
export interface Insides {
  readonly construction: Construction;
  readonly touch: Touch;
  /** the instrument as it should be */
  readonly sound: NeckModel;
  /** everything that has moved it away from that: what was hidden in it, and the work done */
  readonly moves: Moves & { readonly tops: readonly number[] };
  /** frets that are not down in their slots: by how much each stands up, index is the fret */
  readonly lifted: readonly number[];
  /** what is left of each fret over the board, index is the fret */
  readonly crowns: readonly number[];
  /** relief that one eighth of the rod takes out, and how many eighths it can still be tightened */
  readonly rod: { readonly perEighth: number; readonly left: number; readonly stuck: boolean };
  /** how flat the strings are, cents */
  readonly flat: number;
  readonly flaws: readonly Flaw[];
}

/** Strings that are flat by more than that are not at pitch, cents. */
export const AT_PITCH = 4;

const FULL_CROWN = 1.1;
const SOUND_CONTACT = 1.2;
const STANDOUT = 3.6;

/** Where the aims of a kind and a touch stand, by place, as they are read the usual way. */
export function aimsOf(c: Construction, touch: Touch, stations: readonly Station[]): Map<string, Target> {
  return new Map(
    stations.flatMap((s) => {
      const target = resolveTarget(c, touch, [], s);
      return target === null ? [] : [[s.key, target] as const];
    }),
  );
}

function soundModel(c: Construction, touch: Touch): NeckModel {
  const aims = aimsOf(c, touch, stationsOf(c));
  const aim = (key: string, usual: number): number => aims.get(key)?.aim ?? usual;
  const last = c.strings.length;
  const [bass, treble] = [last, 1].map((n) => aim(stationKey('action', n, ACTION_FRET), 2)) as [
    number,
    number,
  ];
  const cut = !isAdjustable(c);
  return {
    construction: c,
    relief: aim(stationKey('relief', 0, RELIEF_FRET), 0.2),
    nut: Float64Array.from(
      c.strings,
      (_, i) => aim(stationKey('nut-gap', stringNumber(c, i), 1), 0.1) * PER_GAP,
    ),
    action: Float64Array.from(c.strings, (_, i) => bass + (treble - bass) * acrossOf(c, i)),
    cents: c.strings.map(() => 0),
    contact: c.strings.map(() => SOUND_CONTACT),
    tops: new Float64Array(c.frets + 1),
    standout: cut ? STANDOUT : null,
    breakAngle: cut ? 24 : null,
    bridge: cut ? 9.4 : null,
    slotDepth: cut ? 6 : null,
    saddleThickness: cut ? 3 : null,
    plane: cut ? 0.4 : null,
    pull: pulls(c),
    strings: c.strings,
    assumed: [],
  };
}

/** A sound instrument of a kind, in tune, everything at the aims of a touch. */
export function soundInstrument(construction: Construction, touch: Touch, perEighth = 0.05): Insides {
  const count = construction.strings.length;
  const frets = construction.frets + 1;
  const none = (n: number): number[] => Array.from({ length: n }, () => 0);
  return {
    construction,
    touch,
    sound: soundModel(construction, touch),
    moves: { ...NO_MOVES, nut: none(count), contact: none(count), trim: none(count), tops: none(frets) },
    lifted: none(frets),
    crowns: Array.from({ length: frets }, () => FULL_CROWN),
    rod: { perEighth, left: 12, stuck: false },
    flat: 0,
    flaws: [],
  };
}

/** Changes what has moved an instrument. */
export const moved = (inside: Insides, by: Partial<Insides['moves']>): Insides => ({
  ...inside,
  moves: { ...inside.moves, ...by },
});

/** Fret tops over the even bow as they stand: what is cut or worn, and what has come up out of its slot. */
export const topsOf = ({ moves, lifted }: Pick<Insides, 'moves' | 'lifted'>): number[] =>
  moves.tops.map((t, n) => t + (lifted[n] ?? 0));

const OCTAVE = 1200;
const sum = (list: ArrayLike<number>): number => Array.from(list).reduce((a, b) => a + b, 0);

/** Pull of every string as tight as it is now, N. */
export const pullNow = ({ sound, moves, construction, flat }: Insides): Float64Array =>
  (moves.strings === null ? sound.pull : pulls(construction, moves.strings)).map(
    (t) => t * 2 ** ((-2 * flat) / OCTAVE),
  );

/**
 * What the instrument is like now, all by the bench's sums: what was hidden in it, what was done, and how its strings pull on
 * the neck as tight as they are.
 */
export function outcomeOf(inside: Insides): Outcome & { readonly pull: Float64Array } {
  const { sound, moves, construction: c, flaws } = inside;
  const pull = pullNow(inside);
  const saddle = sum(flaws.map((f) => f.saddle ?? 0));
  const bow = pullToRelief(sum(sound.pull), sum(pull)).reliefChange;
  const all: Moves = {
    ...moves,
    relief: moves.relief + bow,
    bass: moves.bass + saddle,
    treble: moves.treble + saddle,
    tops: topsOf(inside),
  };
  const out = consequences(sound, all, ratioOf(c.kind));
  const off = c.strings.map((_, i) => sum(flaws.map((f) => f.cents?.[i] ?? 0)));
  return {
    ...out,
    pull,
    cents: out.cents.map((v, i) => (v === null ? null : v + (off[i] ?? 0))),
  };
}

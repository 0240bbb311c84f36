import { operation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { BENCH_ARRIVAL } from '../inspection/lists/bench-arrival.ts';
import { needsStrings } from '../readings/conditions.ts';
import { seeded } from '../seeded.ts';
import type { Quantity } from '../readings/quantities.ts';
import { normals } from '../whatif/buzz-chance.ts';
import type { Act, Work } from './acts.ts';
import { answerOf } from './ask.ts';
import { AT_PITCH, type Insides } from './insides.ts';
import { look } from './look.ts';
import { pluck } from './listen.ts';
import type { PracticeInstrument } from './instrument.ts';
import { practiceStations, readWith, truthAt } from './read.ts';
import { doWork, NOTHING_TAKEN, type Taken } from './work.ts';

/** One thing that was done, and what it showed. */
export interface Entry {
  readonly act: Act;
  /** what it showed, in words; for a reading its value says it */
  readonly says: string;
  readonly minutes: number;
  /** a reading's value as read, and as it truly was: mm, cents, degrees or kΩ */
  readonly value: number | null;
  readonly truth: number | null;
  /** whether it was read with the strings at pitch, or needs none */
  readonly atPitch: boolean;
  /** something was found or heard that is not as it should be */
  readonly wrong: boolean;
}

/** A practice instrument on the bench after everything done to it. */
export interface Bench {
  readonly inside: Insides;
  readonly entries: readonly Entry[];
  readonly minutes: number;
  /** of work alone: readings and looks cost nobody money */
  readonly workMinutes: number;
  /** minor units, at the prices that ship */
  readonly price: number;
  readonly taken: Taken;
  /** quantities whose readings still hold, at pitch */
  readonly fresh: ReadonlySet<Quantity>;
  /** cuts and other work for good, and how many of them without the readings they rest on */
  readonly cuts: number;
  readonly blind: number;
}

const READ_MINUTES = 1;
const LOOK_MINUTES = 1;
const ASK_MINUTES = 1;
const EVERYWHERE_MINUTES = 5;

/** The bench before anything is done. */
export const benchWith = ({ inside }: PracticeInstrument): Bench => ({
  inside,
  entries: [],
  minutes: 0,
  workMinutes: 0,
  price: 0,
  taken: NOTHING_TAKEN,
  fresh: new Set(),
  cuts: 0,
  blind: 0,
});

const entry = (act: Act, says: string, minutes: number, rest: Partial<Entry> = {}): Entry => ({
  act,
  says,
  minutes,
  value: null,
  truth: null,
  atPitch: true,
  wrong: false,
  ...rest,
});

const withEntry = (bench: Bench, made: Entry): Bench => ({
  ...bench,
  entries: [...bench.entries, made],
  minutes: bench.minutes + made.minutes,
});

/** The hand's own error of the so-manieth thing done: the same for everybody who does the same. */
const errorAt = (seed: number, n: number): number =>
  normals(seeded((seed ^ Math.imul(n + 1, 0x9e3779b1)) >>> 0))();

function read(bench: Bench, act: Extract<Act, { kind: 'read' }>, seed: number): Bench {
  const station = practiceStations(bench.inside.construction).find((s) => s.key === act.station);
  const value = station ? readWith(bench.inside, station, errorAt(seed, bench.entries.length)) : null;
  if (!station || value === null) return withEntry(bench, entry(act, 'There is nothing to read there.', 0));
  const atPitch = bench.inside.flat <= AT_PITCH || !needsStrings(station.quantity);
  const truth = truthAt(bench.inside, station);
  const fresh = atPitch ? new Set([...bench.fresh, station.quantity]) : bench.fresh;
  return withEntry({ ...bench, fresh }, entry(act, station.label, READ_MINUTES, { value, truth, atPitch }));
}

function lookAt(bench: Bench, act: Extract<Act, { kind: 'look' }>): Bench {
  const item = BENCH_ARRIVAL.items.find((i) => i.key === act.item);
  if (!item) return withEntry(bench, entry(act, 'There is nothing of that name.', 0));
  const seen = look(bench.inside, item);
  const minutes = item.key === 'fretted-buzz' ? EVERYWHERE_MINUTES : LOOK_MINUTES;
  return withEntry(bench, entry(act, seen.says, minutes, { wrong: seen.finding !== null }));
}

function pluckAt(bench: Bench, act: Extract<Act, { kind: 'pluck' }>): Bench {
  const heard = pluck(bench.inside, act);
  const wrong = heard.besides !== null || heard.room === 'buzz' || heard.room === 'choked';
  return withEntry(bench, entry(act, heard.says, 0, { wrong, atPitch: bench.inside.flat <= AT_PITCH }));
}

/** Whether a piece of work is for good, so that it wants its readings first. */
const restsOnReadings = (id: OperationId): boolean => {
  const { takesFrom, reversible, restsOn } = operation(id);
  return restsOn.length > 0 && (takesFrom !== null || !reversible);
};

/** What a piece of work takes: the first time as usual, again as quickly as it goes; its price once. */
function costOf(bench: Bench, id: OperationId): { readonly minutes: number; readonly price: number } {
  const { minutes, price } = operation(id);
  const before = bench.entries.some((e) => e.act.kind === 'work' && e.act.operation === id);
  return before ? { minutes: minutes.low, price: 0 } : { minutes: minutes.likely, price };
}

function workAt(bench: Bench, act: Work): Bench {
  const done = doWork(bench.inside, act);
  const { minutes, price } = costOf(bench, act.operation);
  const { restsOn, stale } = operation(act.operation);
  const rests = restsOnReadings(act.operation);
  const blind = rests && restsOn.some((q) => !bench.fresh.has(q));
  // Tuning brings back what is read; it makes nothing stale by itself.
  const tuning = act.operation === 'tune-stretch';
  const fresh = tuning ? bench.fresh : new Set([...bench.fresh].filter((q) => !stale.includes(q)));
  const { taken } = bench;
  return withEntry(
    {
      ...bench,
      inside: done.inside,
      fresh,
      price: bench.price + price,
      workMinutes: bench.workMinutes + minutes,
      cuts: bench.cuts + (rests ? 1 : 0),
      blind: bench.blind + (blind ? 1 : 0),
      taken: {
        nut: taken.nut + done.taken.nut,
        saddle: taken.saddle + done.taken.saddle,
        frets: taken.frets + done.taken.frets,
      },
    },
    entry(act, done.says, minutes),
  );
}

/** Does one thing at a practice instrument: its seed is whose errors the gauges have. */
export function doAct(p: PracticeInstrument, bench: Bench, act: Act): Bench {
  switch (act.kind) {
    case 'read':
      return read(bench, act, p.spec.seed);
    case 'look':
      return lookAt(bench, act);
    case 'pluck':
      return pluckAt(bench, act);
    case 'ask':
      return withEntry(bench, entry(act, answerOf(p, act.question), ASK_MINUTES));
    case 'work':
      return workAt(bench, act);
  }
}

/** The bench after everything that was done: acts are kept, and nothing else. */
export const benchAfter = (instrument: PracticeInstrument, acts: readonly Act[]): Bench =>
  acts.reduce((bench, act) => doAct(instrument, bench, act), benchWith(instrument));

import type { Quantity } from '../readings/quantities.ts';
import { movedByAll, type MovedThing } from '../staleness/graph.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey } from '../readings/stations.ts';
import type { NumberId } from './numbers.ts';
import type { Act } from './response.ts';

/** A reading of a round, mm or cents, representative. */
export interface LifeReading {
  readonly value: number;
  /** standard uncertainty; null where its gauge is not known */
  readonly uncertainty: number | null;
  /** ms since the epoch */
  readonly at: number;
}

/** A round of a visit with what was read in it, by place. */
export interface LifeRound {
  readonly name: string;
  /** relative, %; null where nobody read it */
  readonly humidity: number | null;
  /** pull of all strings at the tuning of the round, N; null where that is not known */
  readonly pull: number | null;
  readonly readings: ReadonlyMap<string, LifeReading>;
}

/** Work that was done, and what of the readings it moved. */
export interface LifeWork {
  readonly at: number;
  readonly moved: readonly Quantity[];
}

/** A turn of the rod with what was read before and after it, eighths and mm. */
export interface LifeTurn {
  readonly eighths: number;
  readonly before: number;
  readonly after: number;
  readonly at: number;
}

/** One visit of an instrument: its rounds in their order, its turns and what else was done. */
export interface LifeVisit {
  readonly job: number;
  readonly rounds: readonly LifeRound[];
  readonly turns: readonly LifeTurn[];
  readonly work: readonly LifeWork[];
}

/** An act of an instrument's life, with the readings behind it. */
export interface LifeAct extends Act {
  readonly number: NumberId;
  readonly job: number;
  /** when what followed was read */
  readonly at: number;
  /** the rounds it was read in: `as found` to `as left` */
  readonly between: string;
}

/** Where the gauge is not known: what a feeler, a rule, a tuner tells. */
const USUAL_UNCERTAINTY = { relief: 0.015, action: 0.1, standout: 0.05, contact: 0.15, cents: 0.5 } as const;
/** Less than that tells nothing of what follows, in the number's own step. */
const LEAST = { rod: 0.25, ratio: 0.04, saddle: 0.1, contact: 0.2, pull: 2, air: 0.5 } as const;
const NEWTONS = 10;
const HUMIDITY = 10;

const RELIEF = stationKey('relief', 0, RELIEF_FRET);
const STANDOUT = stationKey('saddle-standout', 0, 0);

/** A difference between two rounds, with its variance and the times of both readings. */
interface Moved {
  readonly by: number;
  readonly variance: number;
  readonly from: number;
  readonly to: number;
}

function moved(a: LifeRound, b: LifeRound, key: string, usual: number): Moved | null {
  const [x, y] = [a.readings.get(key), b.readings.get(key)];
  if (!x || !y || y.at < x.at) return null;
  const variance = (x.uncertainty ?? usual) ** 2 + (y.uncertainty ?? usual) ** 2;
  return { by: y.value - x.value, variance, from: x.at, to: y.at };
}

/** How far the action at the 12th moved, in the middle of both outer strings. */
function actionMoved(a: LifeRound, b: LifeRound, strings: number): Moved | null {
  const both = [strings, 1].map((n) =>
    moved(a, b, stationKey('action', n, ACTION_FRET), USUAL_UNCERTAINTY.action),
  );
  const [bass, treble] = both;
  if (!bass || !treble) return null;
  return {
    by: (bass.by + treble.by) / 2,
    variance: (bass.variance + treble.variance) / 4,
    from: Math.min(bass.from, treble.from),
    to: Math.max(bass.to, treble.to),
  };
}

/** What was done between two readings: what it moved, and whether the rod was turned. */
interface Done {
  readonly work: readonly LifeWork[];
  readonly turned: boolean;
}

function doneBetween(visit: LifeVisit, parts: readonly Moved[]): Done {
  const from = Math.min(...parts.map((p) => p.from));
  const to = Math.max(...parts.map((p) => p.to));
  const within = ({ at }: { readonly at: number }): boolean => at > from && at <= to;
  return {
    work: visit.work.filter((w) => within(w) && w.moved.length > 0),
    turned: visit.turns.some(within),
  };
}

/** Whether nothing was done that moves more than these things move. */
function only({ work, turned }: Done, things: readonly MovedThing[]): boolean {
  const may = movedByAll(things);
  return (!turned || things.includes('rod')) && work.every((w) => w.moved.every((q) => may.has(q)));
}

const touched = ({ work }: Done, quantity: Quantity): boolean => work.some((w) => w.moved.includes(quantity));

/** The rod's turns, each an act. */
const rodActs = (visit: LifeVisit): readonly LifeAct[] =>
  visit.turns
    .filter((t) => Math.abs(t.eighths) >= LEAST.rod)
    .map((t) => ({
      number: 'rod',
      job: visit.job,
      at: t.at,
      between: `${Math.abs(t.eighths)} ${t.eighths > 0 ? 'tighter' : 'looser'}`,
      by: t.eighths,
      gave: t.before - t.after,
      variance: 2 * USUAL_UNCERTAINTY.relief ** 2,
    }));

interface Pair {
  readonly visit: LifeVisit;
  readonly a: LifeRound;
  readonly b: LifeRound;
  readonly strings: number;
  /** action for relief as it is believed before */
  readonly ratio: number;
}

const actOf = ({ visit, a, b }: Pair, number: NumberId, at: number, act: Act): LifeAct => ({
  number,
  job: visit.job,
  at,
  between: `${a.name} to ${b.name}`,
  ...act,
});

/** The rod alone moved: what the action did for the relief. */
function ratioAct(pair: Pair): readonly LifeAct[] {
  const { a, b, strings, visit, ratio } = pair;
  const relief = moved(a, b, RELIEF, USUAL_UNCERTAINTY.relief);
  const action = actionMoved(a, b, strings);
  if (!relief || !action || Math.abs(relief.by) < LEAST.ratio) return [];
  const done = doneBetween(visit, [relief, action]);
  if (!(done.turned || touched(done, 'relief')) || !only(done, ['rod'])) return [];
  // The saddle moved, whatever was written down of it.
  const saddle = moved(a, b, STANDOUT, USUAL_UNCERTAINTY.standout);
  if (saddle && Math.abs(saddle.by) >= LEAST.saddle) return [];
  const variance = action.variance + ratio ** 2 * relief.variance;
  return [actOf(pair, 'ratio', action.to, { by: relief.by, gave: action.by, variance })];
}

/** The saddle was cut or raised: what the action did for it, without what the relief did meanwhile. */
function saddleAct(pair: Pair): readonly LifeAct[] {
  const { a, b, strings, visit, ratio } = pair;
  const saddle = moved(a, b, STANDOUT, USUAL_UNCERTAINTY.standout);
  const action = actionMoved(a, b, strings);
  if (!saddle || !action || Math.abs(saddle.by) < LEAST.saddle) return [];
  const relief = moved(a, b, RELIEF, USUAL_UNCERTAINTY.relief);
  const done = doneBetween(visit, [saddle, action]);
  if (!touched(done, 'saddle-standout')) return [];
  if (!only(done, ['saddle-height', 'saddle-contact', 'rod', 'strings'])) return [];
  // What else moved the relief is known only where it was read.
  if (!relief && (done.turned || touched(done, 'relief'))) return [];
  const gave = action.by - ratio * (relief?.by ?? 0);
  const variance = action.variance + ratio ** 2 * (relief?.variance ?? 0) + 0.25 * saddle.variance;
  return [actOf(pair, 'saddle', action.to, { by: saddle.by, gave, variance })];
}

/** The contact of a string moved: what its pitch did. */
function contactActs(pair: Pair): readonly LifeAct[] {
  const { a, b, strings, visit } = pair;
  return Array.from({ length: strings }, (_, i) => strings - i).flatMap((n) => {
    const contact = moved(a, b, stationKey('contact', n, 0), USUAL_UNCERTAINTY.contact);
    const cents = moved(a, b, stationKey('intonation', n, ACTION_FRET), USUAL_UNCERTAINTY.cents);
    if (!contact || !cents || Math.abs(contact.by) < LEAST.contact) return [];
    const done = doneBetween(visit, [contact, cents]);
    if (!touched(done, 'contact') || !only(done, ['saddle-contact'])) return [];
    const variance = cents.variance + 2.7 ** 2 * contact.variance;
    return [actOf(pair, 'contact', cents.to, { by: contact.by, gave: cents.by, variance })];
  });
}

/** Another set or tuning: what the relief did for the pull. */
function pullAct(pair: Pair): readonly LifeAct[] {
  const { a, b, visit } = pair;
  const relief = moved(a, b, RELIEF, USUAL_UNCERTAINTY.relief);
  if (!relief || a.pull === null || b.pull === null) return [];
  const by = (b.pull - a.pull) / NEWTONS;
  if (Math.abs(by) < LEAST.pull || !only(doneBetween(visit, [relief]), ['strings'])) return [];
  return [actOf(pair, 'pull', relief.to, { by, gave: relief.by, variance: relief.variance })];
}

/** From one visit to the next nobody touched it: what the relief did for the air. */
function airAct(before: LifeVisit, visit: LifeVisit): readonly LifeAct[] {
  const [a, b] = [before.rounds.findLast((r) => r.readings.has(RELIEF)), visit.rounds[0]];
  if (!a || !b || a.humidity === null || b.humidity === null) return [];
  const relief = moved(a, b, RELIEF, USUAL_UNCERTAINTY.relief);
  const by = (b.humidity - a.humidity) / HUMIDITY;
  if (!relief || Math.abs(by) < LEAST.air) return [];
  const late = (w: { readonly at: number }): boolean => w.at > relief.from;
  if (before.work.some(late) || before.turns.some(late) || visit.work.some((w) => w.at < relief.to))
    return [];
  // Another tuning moves it as well.
  if (a.pull !== null && b.pull !== null && Math.abs(a.pull - b.pull) >= NEWTONS * LEAST.pull) return [];
  return [
    {
      number: 'air',
      job: visit.job,
      at: relief.to,
      between: `${before.job}, ${a.name} to ${visit.job}, ${b.name}`,
      by,
      gave: relief.by,
      variance: relief.variance,
    },
  ];
}

/**
 * The acts of an instrument's life that tell its own numbers: each time one thing alone was changed between two readings that
 * stand for the instrument. What was moved together with something else, or not read on both sides, tells nothing.
 * @param visits in their order
 * @param strings how many it has
 * @param ratio action at the 12th for relief, as it is believed
 */
export function actsOf(
  visits: readonly LifeVisit[],
  { strings, ratio }: { readonly strings: number; readonly ratio: number },
): readonly LifeAct[] {
  return visits.flatMap((visit, i) => {
    const before = visits[i - 1];
    const pairs = visit.rounds
      .slice(1)
      .map((b, k): Pair => ({ visit, a: visit.rounds[k] as LifeRound, b, strings, ratio }));
    return [
      ...(before ? airAct(before, visit) : []),
      ...rodActs(visit),
      ...pairs.flatMap((p) => [...ratioAct(p), ...saddleAct(p), ...contactActs(p), ...pullAct(p)]),
    ];
  });
}

import { acrossOf, type Construction } from '../instrument/construction.ts';
import { alongString, scaleOf } from '../instrument/scales.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { reliefShare } from '../neck/relief.ts';
import { ratioOf, rodToAction } from '../neck/rod-to-action.ts';
import { errorAfter } from '../intonation/intonation-fit.ts';
import { predictedCents } from '../intonation/predicted.ts';
import { ACTION_FRET } from '../readings/stations.ts';
import { breakAngle } from '../saddle/break-angle.ts';
import { slotFloor } from '../saddle/slot-floor.ts';
import { pullChange, type PullChange } from '../strings/pull-change.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { pulls, stringMake } from '../strings/string-pull.ts';
import { isStill, type Moves } from './moves.ts';
import { PER_GAP, type NeckModel } from './neck-model.ts';

/** Everything that follows from what is tried. mm, cents, N, degrees; arrays run from the lowest string. */
export interface Outcome {
  readonly relief: number;
  readonly nut: Float64Array;
  /** gap over fret 1, held at the third */
  readonly gap: Float64Array;
  /** open string over the 12th fret */
  readonly action: Float64Array;
  /** height of each string over the fret plane at the saddle */
  readonly saddle: Float64Array;
  /** how far each string's saddle was moved */
  readonly saddleMove: Float64Array;
  /** fret tops over the plane: the bow, and what stands high or low */
  readonly tops: Float64Array;
  readonly cents: ReadonlyArray<number | null>;
  /** whether heights stand as they were read: only then is a pitch that was read still a reading, and no forecast */
  readonly asRead: boolean;
  /** the same from the strings alone, read or not: stretch, stiffness and length; null where a note cannot be read */
  readonly predicted: ReadonlyArray<number | null>;
  readonly contact: ReadonlyArray<number | null>;
  readonly standout: number | null;
  readonly breakAngle: number | null;
  /** wood left under the saddle's slot */
  readonly floor: number | null;
  readonly pull: Float64Array;
  readonly pullChange: PullChange;
}

const RELIEF_SPAN = (c: Construction) => ({ low: 1, high: c.frets, at: 7 });

/** Fret tops for a relief read at the 7th between first and last fret, over what stands high or low. */
export function topsFor(
  c: Construction,
  relief: number,
  over: Float64Array,
  x: Float64Array,
  into = new Float64Array(c.frets + 1),
): Float64Array {
  const max = relief / reliefShare(c.scale, RELIEF_SPAN(c));
  const [p, q] = [x[1] ?? 0, x[c.frets] ?? 0];
  const k = (-4 * max) / (q - p) ** 2;
  for (let n = 1; n <= c.frets; n++) {
    const at = x[n] ?? 0;
    into[n] = (n > 1 && n < c.frets ? k * (at - p) * (q - at) : 0) + (over[n] ?? 0);
  }
  return into;
}

/** Positions of nut and frets of a construction along the middle of its board, mm. */
export const positionsOf = (c: Construction): Float64Array =>
  Float64Array.from({ length: c.frets + 1 }, (_, n) => fretPosition(c.scale, n));

/** Positions of nut and frets along each string, from its own nut; the very same where frets stand straight. */
export const positionsByString = (c: Construction, x: Float64Array): readonly Float64Array[] =>
  c.strings.map((_, i) => (c.fan ? x.map((at) => (at * scaleOf(c, i)) / c.scale) : x));

/** How far a string speaks and where its 12th fret lies, mm. */
function spansOf(c: Construction, i: number): { readonly xs: number; readonly x12: number } {
  const scale = scaleOf(c, i);
  return { xs: scale + c.compensation, x12: fretPosition(scale, ACTION_FRET) };
}

const sum = (pull: Float64Array): number => pull.reduce((a, b) => a + b, 0);
const PRESS = 0.25;
const DEFAULT_PITCH = 440;

/** What the fretted path and its stiffness do to the 12th of a string, cents, by the sum of predicted intonation. */
function predictedAt12(
  m: NeckModel,
  i: number,
  strings: Construction['strings'],
  h: { readonly nut: number; readonly saddle: number; readonly relief: number },
): number | null {
  const c = m.construction;
  const fact = strings[i];
  const note = fact ? noteFrequency(fact.note, DEFAULT_PITCH) : null;
  if (!fact || !note?.ok || fact.wound !== (c.strings[i]?.wound ?? fact.wound)) return null;
  const string = { ...stringMake(c, fact), frequency: note.value };
  const neck = { scale: scaleOf(c, i), compensation: c.compensation, string, ...h, pressDepth: PRESS };
  return predictedCents(neck, [ACTION_FRET])[0]?.total ?? null;
}

/** What the strings themselves say of the 12th, with the contacts where they are tried. */
function predictedAfter(
  m: NeckModel,
  moves: Moves,
  after: Pick<Outcome, 'nut' | 'saddle' | 'relief'>,
): (number | null)[] {
  const c = m.construction;
  const strings = moves.strings ?? c.strings;
  return c.strings.map((_, i) => {
    const { xs, x12 } = spansOf(c, i);
    const heights = { nut: after.nut[i] ?? 0, saddle: after.saddle[i] ?? 0, relief: after.relief };
    const cents = predictedAt12(m, i, strings, heights);
    return cents === null ? null : errorAfter(xs, x12, cents, moves.contact[i] ?? 0, 0);
  });
}

/** What the strings say of a neck as it was read does not change while plans are looked at. */
const asRead = new WeakMap<NeckModel, readonly (number | null)[]>();

function predictedNow(m: NeckModel, before: Float64Array): readonly (number | null)[] {
  const known = asRead.get(m);
  if (known) return known;
  const c = m.construction;
  const now = c.strings.map((_, i) =>
    predictedAt12(m, i, c.strings, { nut: m.nut[i] ?? 0, saddle: before[i] ?? 0, relief: m.relief }),
  );
  asRead.set(m, now);
  return now;
}

function centsAfter(
  m: NeckModel,
  moves: Moves,
  after: Pick<Outcome, 'nut' | 'saddle' | 'relief'>,
  before: Float64Array,
) {
  const c = m.construction;
  const strings = moves.strings ?? c.strings;
  return m.cents.map((read, i) => {
    if (read === null) return null;
    const { xs, x12 } = spansOf(c, i);
    const contact = moves.contact[i] ?? 0;
    const moved = contact === 0 ? read : errorAfter(xs, x12, read, contact, 0);
    const then = predictedAt12(m, i, strings, {
      nut: after.nut[i] ?? 0,
      saddle: after.saddle[i] ?? 0,
      relief: after.relief,
    });
    const now = predictedNow(m, before)[i] ?? null;
    return then === null || now === null ? moved : moved + then - now;
  });
}

/** Whether nothing was tried that changes a string's height or pull. */
const standsAsRead = (m: Moves): boolean => isStill({ ...m, contact: [] });

/** Height at the saddle of a string through nut and 12th: the open string's line. */
const saddleThrough = (xs: number, x12: number, nut: number, over12: number): number =>
  nut + ((over12 - nut) * xs) / x12;

/**
 * What follows from what is tried, all by the bench's sums: relief by the rod, the action by rod, nut, saddle, frets and
 * neck angle together, the gaps over fret 1 by slots and frets, the saddle left, break angle, slot floor, pull and
 * intonation.
 * @param ratio action change at the 12th per change of relief
 * @example a saddle lowered by 1 mm brings the action at 12 down by half of it, on a straight scale
 */
export function consequences(
  m: NeckModel,
  moves: Moves,
  ratio = ratioOf(m.construction.kind),
  x = positionsOf(m.construction),
): Outcome {
  const c = m.construction;
  const count = c.strings.length;
  const rod = rodToAction(c.scale, c.bodyFret, moves.relief, ACTION_FRET, ratio).actionChange;
  const relief = m.relief + moves.relief;
  const over = moves.tops === null ? m.tops : Float64Array.from(moves.tops);
  const tops = topsFor(c, relief, over, x);
  const lower12 = moves.frets + (m.tops[ACTION_FRET] ?? 0) - (over[ACTION_FRET] ?? 0);
  const topsNow = topsFor(c, m.relief, m.tops, x);
  const [nut, gap, action] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const [saddle, before, saddleMove] = [
    new Float64Array(count),
    new Float64Array(count),
    new Float64Array(count),
  ];
  for (let i = 0; i < count; i++) {
    const slot = moves.nut[i] ?? 0;
    const { xs, x12 } = spansOf(c, i);
    const k = x12 / xs;
    const share = acrossOf(c, i);
    const up = moves.bass + (moves.treble - moves.bass) * share + (moves.trim[i] ?? 0) - moves.thin;
    const nutNow = m.nut[i] ?? 0;
    const now = m.action[i] ?? 0;
    saddleMove[i] = up;
    nut[i] = nutNow + slot + moves.frets;
    gap[i] = (nut[i] ?? 0) / PER_GAP;
    action[i] = now + rod + slot * (1 - k) + (up - moves.tilt) * k + lower12;
    before[i] = saddleThrough(xs, x12, nutNow, now + (topsNow[ACTION_FRET] ?? 0));
    saddle[i] = saddleThrough(xs, x12, nut[i] ?? 0, (action[i] ?? 0) + (tops[ACTION_FRET] ?? 0));
  }
  let cents: Outcome['cents'] | null = null;
  let predicted: Outcome['predicted'] | null = null;
  const middle = (moves.bass + moves.treble) / 2;
  const standout = m.standout === null ? null : m.standout + middle;
  const pull = moves.strings === null ? m.pull : pulls(c, moves.strings);
  return {
    relief,
    nut,
    gap,
    action,
    saddle,
    saddleMove,
    tops,
    asRead: standsAsRead(moves),
    // Stiffness and stretch take longer than all the rest: they are worked out when somebody asks.
    get cents() {
      return (cents ??= centsAfter(m, moves, { nut, saddle, relief }, before));
    },
    contact: m.contact.map((at, i) => (at === null ? null : at + (moves.contact[i] ?? 0))),
    get predicted() {
      return (predicted ??= predictedAfter(m, moves, { nut, saddle, relief }));
    },
    standout,
    breakAngle: breakAngleAfter(m, standout),
    floor:
      m.bridge === null || m.slotDepth === null
        ? null
        : slotFloor(m.bridge, m.slotDepth, moves.thin, 0).floor,
    pull,
    pullChange: pullChange(sum(m.pull), sum(pull)),
  };
}

/** The break angle after the saddle's height changed: the run behind it stays what the readings say it is. */
export function breakAngleAfter(m: NeckModel, standout: number | null): number | null {
  if (m.breakAngle === null || m.standout === null || standout === null || m.standout <= 0)
    return m.breakAngle;
  const run = m.standout / Math.tan((m.breakAngle * Math.PI) / 180);
  return breakAngle(standout, run);
}

/** Action of a string at any fret after what was tried, mm: the open string's line less that fret's top. */
export function actionOver(m: NeckModel, o: Outcome, string: number, fret: number): number {
  const c = alongString(m.construction, string);
  const nut = o.nut[string] ?? 0;
  const slope = ((o.saddle[string] ?? 0) - nut) / (c.scale + c.compensation);
  return nut + slope * fretPosition(c.scale, fret) - (o.tops[fret] ?? 0);
}

import type { ClearanceMap } from '../../core/clearance/clearance.ts';
import { stringName, stringNumber } from '../../core/instrument/construction.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { formatCents } from '../../core/units/parse-cents.ts';
import { heightChangeWords, heightWords, sizeWords } from '../../core/units/words-in.ts';
import {
  lowestAction,
  playedPositions,
  roomOf,
  tightest,
  type Hand,
} from '../../core/whatif/clearance-map.ts';
import { actionOver, consequences, type Outcome } from '../../core/whatif/consequences.ts';
import { NO_MOVES, type Moves } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';

/** A row of the comparison: what is looked at, and what it is in one column. */
export type Row = readonly [name: string, value: string];

const mm = (v: number): string => formatLength(v, 'mm');
const range = (values: ArrayLike<number>, say: (v: number) => string): string => {
  const all = Array.from(values);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  return high - low < 0.005 ? say(low) : `${say(low)} – ${say(high)}`;
};

const nameAt = (m: NeckModel, index: number): string =>
  stringName(m.construction, stringNumber(m.construction, index));

/** Says where it is tightest for a hand, in words with the amount. */
export function sayTightest(m: NeckModel, maps: readonly ClearanceMap[]): string {
  const at = tightest(maps, playedPositions(m.construction.frets));
  if (!at) return '';
  const held = at.held === 0 ? 'open' : `held at ${at.held}`;
  const string = `String ${nameAt(m, at.string)} ${held}`;
  const room = roomOf(at.margin, at.still);
  if (room === 'choked') return `${string} lies on fret ${at.fret}`;
  if (room === 'buzz') return `${string} meets fret ${at.fret} by ${sizeWords(-at.margin)}`;
  return `Clear everywhere; tightest: ${string.toLowerCase()} over fret ${at.fret}, ${sizeWords(at.margin)} to spare`;
}

/** The tightest place of every string, in words: the map without its drawing. */
export function sayEachString(
  m: NeckModel,
  maps: readonly ClearanceMap[],
  chance: readonly ArrayLike<number>[] | null,
): Row[] {
  const upTo = playedPositions(m.construction.frets);
  return maps.map((map, i) => {
    const at = tightest([map], upTo);
    const name = `String ${nameAt(m, i)} ${m.construction.strings[i]?.note ?? ''}`;
    if (!at) return [name, ''];
    const held = at.held === 0 ? 'open' : `held at ${at.held}`;
    const hit = Array.from(map.margin).filter((v, k) => k < upTo && v < 0).length;
    const more = hit > 1 ? `; buzzes at ${hit} of ${upTo} positions` : '';
    const words = {
      clear: `clear, ${sizeWords(at.margin)} to spare over fret ${at.fret} ${held}`,
      close: `close, ${sizeWords(at.margin)} over fret ${at.fret} ${held}`,
      buzz: `meets fret ${at.fret} ${held} by ${sizeWords(-at.margin)}${more}`,
      choked: `lies on fret ${at.fret} ${held}`,
    };
    const likely = chance ? Math.max(0, ...Array.from(chance[i] ?? []).slice(0, upTo)) : null;
    const odds = likely === null ? '' : `; chance of a buzz up to ${Math.round(likely * 100)} %`;
    return [name, `${words[roomOf(at.margin, at.still)]}${odds}`];
  });
}

/** Says how low it can go for a hand, at the outer strings. */
export function sayLowest(m: NeckModel, moves: Moves, hand: Hand, ratio: number): string {
  const low = lowestAction(m, moves, hand, ratio);
  if (!low)
    return 'For this hand it buzzes however high the saddle stands: look at the frets and the relief.';
  const say = (v: number | undefined) => heightWords(v ?? 0);
  const way =
    low.change < 0
      ? `${sizeWords(-low.change)} lower than this`
      : `${sizeWords(low.change)} higher than this`;
  return `For this hand it clears down to ${say(low.action[0])} bass, ${say(low.action.at(-1))} treble at 12: ${way}. There string ${nameAt(m, low.at.string)} ${low.at.held === 0 ? 'open' : `held at ${low.at.held}`} is first to touch.`;
}

/** Everything that follows, a row each, for one column. */
export function rowsOf(m: NeckModel, o: Outcome, maps: readonly ClearanceMap[], fret: number): Row[] {
  const last = m.construction.strings.length - 1;
  const say = heightWords;
  const end = fret;
  const predicted = o.predicted.filter((c): c is number => c !== null);
  const cents = o.cents.filter((c): c is number => c !== null);
  const sum = Array.from(o.pull).reduce((a, b) => a + b, 0);
  return [
    ['Relief', sizeWords(o.relief)],
    ['Action 12, bass', say(o.action[0] ?? 0)],
    ['Action 12, treble', say(o.action[last] ?? 0)],
    [`Action ${end}, bass`, say(actionOver(m, o, 0, end))],
    [`Action ${end}, treble`, say(actionOver(m, o, last, end))],
    ['Gaps over fret 1', range(o.gap, sizeWords)],
    ['Saddle stands out', o.standout === null ? 'not read' : mm(o.standout)],
    ['Break angle', o.breakAngle === null ? 'not read' : `${o.breakAngle.toFixed(1)}°`],
    ['Under the slot', o.floor === null ? 'not read' : mm(o.floor)],
    ['Cents at 12', cents.length === 0 ? 'not read' : range(cents, (v) => formatCents(v))],
    ['Predicted cents at 12', predicted.length === 0 ? 'not known' : range(predicted, (v) => formatCents(v))],
    [
      'Pull of the set',
      `${Math.round(sum)} N${o.pullChange.relief === 'the same' ? '' : `, relief will be ${o.pullChange.relief}`}`,
    ],
    ['Clearance', sayTightest(m, maps)],
  ];
}

/** The sum of what is tried, in words. */
export function sayMoves(m: NeckModel, moves: Moves, ratio: number): string[] {
  const now = consequences(m, NO_MOVES, ratio);
  const o = consequences(m, moves, ratio);
  const last = m.construction.strings.length - 1;
  const change = (i: number) => {
    const by = (o.action[i] ?? 0) - (now.action[i] ?? 0);
    if (Math.abs(by) < 0.005) return 'as it is';
    return `${by < 0 ? '−' : '+'}${heightWords(Math.abs(by))}`;
  };
  const said = [
    moves.relief !== 0 &&
      `Rod: relief ${sizeWords(m.relief)} → ${sizeWords(o.relief)}; the action at 12 follows by ${ratio} ×.`,
    moves.nut.some((v) => v !== 0) &&
      `Nut: the gap moves by the slot ÷ 2.06; the action at 12 by half the slot.`,
    moves.frets !== 0 && `Frets: ${mm(moves.frets)} off; action and gaps rise by as much.`,
    (moves.bass !== 0 || moves.treble !== 0) &&
      `Saddle: bass ${heightChangeWords(moves.bass)}, treble ${heightChangeWords(moves.treble)}; the action at 12 moves by half.`,
    moves.tilt !== 0 &&
      `Neck angle: the fret plane ${moves.tilt > 0 ? 'rises' : 'falls'} ${mm(Math.abs(moves.tilt))} at the saddle.`,
    moves.contact.some((v) => v !== 0) &&
      'Contact: about 0.37 mm for a cent at the 12th on a 648 mm scale; back is flatter.',
    moves.strings !== null &&
      `Strings: the set pulls ${Math.round(o.pullChange.change)} N ${o.pullChange.change < 0 ? 'less' : 'more'}.`,
  ].filter((s): s is string => s !== false);
  return said.length === 0 ? [] : [...said, `Action at 12: bass ${change(0)}, treble ${change(last)}.`];
}

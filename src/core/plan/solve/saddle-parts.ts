import { acrossOf, stringName, stringNumber, type Construction } from '../../instrument/construction.ts';
import { heightChangeWords } from '../../units/words-in.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import type { Problem } from './problem.ts';
import type { Part } from './way.ts';

/** Less than this is no move, mm. */
export const LEAST = 1e-6;

const said = (v: number): string => heightChangeWords(Math.abs(v));

/** What each side's saddle would have to do to bring the action to its aim, mm; 0 where it may stay. */
export interface Need {
  readonly bass: number;
  readonly treble: number;
  /** the same for both sides whether or not they are out: for a neck angle or a bridge, which move both */
  readonly both: readonly [number, number];
  /** more for one string where each has a saddle of its own, from the lowest */
  readonly own: readonly number[];
}

/** What is done to saddles: the two sides, and more for single strings. */
export type Lifts = Pick<Need, 'bass' | 'treble' | 'own'>;

/** A lift between the two sides: strings between follow in a straight line over their own frets. */
export const along = (c: Construction, bass: number, treble: number, i: number): number =>
  bass + (treble - bass) * acrossOf(c, i);

/** How far each saddle moves where each string has its own; else the two ends of the one there is. mm */
export function liftsOf(p: Problem, { bass, treble, own }: Lifts): readonly number[] {
  const { construction: c } = p.model;
  if (c.bridge !== 'individual-fixed') return [bass, treble];
  return c.strings.map((_, i) => along(c, bass, treble, i) + (own[i] ?? 0));
}

const saddleAmounts = (bass: number, treble: number): Part['amounts'] => [
  { what: 'saddle, bass', amount: bass, unit: 'mm' },
  { what: 'saddle, treble', amount: treble, unit: 'mm' },
];

const move = (v: number): string => (Math.abs(v) < LEAST ? 'stays' : `${said(v)} ${v < 0 ? 'down' : 'up'}`);
const sides = (bass: number, treble: number): string => `Bass ${move(bass)}, treble ${move(treble)}`;

/** What is done to saddles in words and numbers: each by itself where they are cut one by one, else the two sides. */
function saddleSays(p: Problem, need: Lifts): Pick<Part, 'says' | 'amounts'> {
  const { bass, treble, own } = need;
  const { construction: c } = p.model;
  const each = (lifts: readonly number[]) =>
    lifts.flatMap((lift, i) => (Math.abs(lift) < LEAST ? [] : [{ n: stringNumber(c, i), lift }]));
  const amount = ({ n, lift }: { n: number; lift: number }) =>
    ({ what: `saddle, string ${n}`, amount: lift, unit: 'mm' }) as const;
  const words = ({ n, lift }: { n: number; lift: number }) => `string ${stringName(c, n)} ${move(lift)}`;
  if (c.bridge === 'individual-fixed') {
    const all = each(liftsOf(p, need));
    return { says: `Each saddle by itself: ${all.map(words).join(', ')}.`, amounts: all.map(amount) };
  }
  const more = each(own);
  const also = more.length === 0 ? '' : `; by themselves ${more.map(words).join(', ')}`;
  return {
    says: `${sides(bass, treble)}${also}.`,
    amounts: [...saddleAmounts(bass, treble), ...more.map(amount)],
  };
}

/** What an operation does to the saddles. */
export function saddlePart(p: Problem, operation: OperationId, need: Lifts): Part {
  const { bass, treble } = need;
  const cutsForGood = operation === 'saddle-lower';
  const first = (v: number) => said(v * p.firstCutShare);
  const fixed = p.model.construction.bridge === 'individual-fixed';
  const cuts = fixed
    ? [`each ${Math.round(p.firstCutShare * 100)} % of it`]
    : [...(bass < 0 ? [`bass ${first(bass)}`] : []), ...(treble < 0 ? [`treble ${first(treble)}`] : [])];
  return {
    operation,
    ...saddleSays(p, need),
    removed: cutsForGood ? Math.max(0, ...liftsOf(p, need).map((v) => -v)) : 0,
    firstCut: cutsForGood && cuts.length > 0 ? `first ${cuts.join(', ')}, then read again` : undefined,
  };
}

/** Moves with the saddles moved as well. */
export const withSaddle = (m: Moves, { bass, treble, own }: Lifts): Moves => ({
  ...m,
  bass: m.bass + bass,
  treble: m.treble + treble,
  trim: own.length === 0 ? m.trim : own.map((v, i) => v + (m.trim[i] ?? 0)),
});

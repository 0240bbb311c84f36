import type { OperationId } from '../catalogue/operation-ids.ts';
import type { QuestionId } from './questions.ts';

/** Something done at a practice instrument, in the order it was done. Lengths in mm, strings counted from the lowest, 0 first. */
export type Act =
  | { readonly kind: 'read'; readonly station: string }
  | { readonly kind: 'look'; readonly item: string }
  | { readonly kind: 'pluck'; readonly string: number; readonly held: number }
  | { readonly kind: 'ask'; readonly question: QuestionId }
  | Work;

/** A piece of work, with what it needs to be told. */
export interface Work {
  readonly kind: 'work';
  readonly operation: OperationId;
  /** the rod: tighten positive */
  readonly eighths?: number | undefined;
  readonly string?: number | undefined;
  readonly fret?: number | undefined;
  /** how deep, how high, how far */
  readonly amount?: number | undefined;
  /** how much at each side of a saddle */
  readonly bass?: number | undefined;
  readonly treble?: number | undefined;
}

/** What a piece of work asks for. */
export type Asks = 'eighths' | 'string' | 'fret' | 'amount' | 'sides';

/** What an operation has to be told before it can be done; all others are done as they are. */
export const ASKS: Readonly<Partial<Record<OperationId, readonly Asks[]>>> = {
  rod: ['eighths'],
  'fret-seat': ['fret'],
  'fret-spot': ['fret'],
  'fret-replace': ['fret'],
  'nut-slots': ['string', 'amount'],
  'nut-fill': ['string', 'amount'],
  'nut-lower': ['amount'],
  'nut-shim': ['amount'],
  'saddle-lower': ['sides'],
  'saddle-raise': ['sides'],
  'saddle-new': ['sides'],
  'saddle-set': ['sides'],
  intonate: ['string', 'amount'],
  compensate: ['string', 'amount'],
  shim: ['amount'],
  tilt: ['amount'],
  'neck-reset': ['amount'],
};

/** The most an operation can be told, mm or eighths: beyond it a slip of the unit is likelier. */
export const MOST = { eighths: 8, amount: 6, side: 4 } as const;

export const asksOf = (operation: OperationId): readonly Asks[] => ASKS[operation] ?? [];

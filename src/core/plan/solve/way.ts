import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';

/** The five questions of a setup, in the order of the work. */
export const GROUPS = ['rod', 'frets', 'nut', 'height', 'contact'] as const;
export type Group = (typeof GROUPS)[number];

/** One thing an operation does, with its amount. mm unless the unit says otherwise. */
export interface Amount {
  readonly what: string;
  readonly amount: number;
  readonly unit: 'mm' | 'cents' | 'degrees' | 'eighths';
}

/** What one operation does in a plan, in words and numbers. */
export interface Part {
  readonly operation: OperationId;
  readonly says: string;
  readonly amounts: readonly Amount[];
  /** taken off for good at the place that loses most, mm */
  readonly removed: number;
  /** what is cut first, before it is read again; absent where nothing is cut for good */
  readonly firstCut?: string | undefined;
}

/** One answer to a group's question: what it does to the neck and by which operations. */
export interface Way {
  readonly group: Group;
  readonly name: string;
  readonly parts: readonly Part[];
  readonly moves: Moves;
  /** frets that would end under the least height, and other things it leaves open */
  readonly warns: readonly string[];
  /** it stops beside an aim that it could reach for the same price */
  readonly beside?: boolean | undefined;
}

/**
 * Which sizes a group's answers come in: `asked` moves what stands out of its band; `every` also moves what is in it, the
 * next to its end first, so that a looser band takes no answer away.
 */
export type Sizes = 'asked' | 'every';

/** An answer that cannot be given here, why, and what would have to be true for it. */
export interface Refused {
  readonly group: Group;
  readonly operations: readonly OperationId[];
  readonly because: string;
  readonly would: string;
}

export interface Ways {
  readonly ways: readonly Way[];
  readonly refused: readonly Refused[];
}

/** Leaves the group as it is. */
export const stay = (group: Group, moves: Moves): Way => ({
  group,
  name: 'leave it',
  parts: [],
  moves,
  warns: [],
});

export const none = (group: Group, moves: Moves): Ways => ({ ways: [stay(group, moves)], refused: [] });

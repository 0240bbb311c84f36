import type { Minor } from '../money/money.ts';
import type { Quantity } from '../readings/quantities.ts';
import { movedByAll, type MovedThing } from '../staleness/graph.ts';
import type { OperationId } from './operation-ids.ts';

export const SKILLS = {
  bench: 'anyone at the bench',
  setup: 'one who does setups',
  senior: 'one who has done many',
} as const;
export type Skill = keyof typeof SKILLS;

/** What an operation occupies while hands are on it. */
export const STATIONS = {
  bench: 'a bench',
  'neck-jig': 'the neck jig',
  clamps: 'clamps',
  electronics: 'the soldering place',
  sanding: 'the sanding place',
  finish: 'the finish room',
} as const;
export type WorkPlace = keyof typeof STATIONS;

/** A kind of work the shop does: what it takes, what it moves, what to beware of. Minutes hands-on; wait in minutes. */
export interface Operation {
  readonly id: OperationId;
  readonly name: string;
  /** place in the order of a setup */
  readonly order: number;
  /** what is done before it, where both are done */
  readonly needs: readonly OperationId[];
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  readonly wait: number;
  readonly skill: Skill;
  readonly place: WorkPlace;
  readonly materials: readonly string[];
  readonly price: Minor;
  readonly parts: Minor;
  readonly stale: readonly Quantity[];
  readonly reversible: boolean;
  readonly hazards: readonly string[];
}

type Rest = Partial<
  Pick<Operation, 'needs' | 'wait' | 'skill' | 'place' | 'materials' | 'parts' | 'reversible' | 'hazards'>
> & { readonly moves?: readonly MovedThing[] };

/** Declares an operation; what goes stale follows from what it moves. */
export const op = (
  id: OperationId,
  name: string,
  order: number,
  minutes: readonly [low: number, likely: number, high: number],
  price: Minor,
  { moves = [], ...rest }: Rest = {},
): Operation => ({
  id,
  name,
  order,
  minutes: { low: minutes[0], likely: minutes[1], high: minutes[2] },
  price,
  needs: [],
  wait: 0,
  skill: 'setup',
  place: 'bench',
  materials: [],
  parts: 0,
  stale: [...movedByAll(moves)],
  reversible: true,
  hazards: [],
  ...rest,
});

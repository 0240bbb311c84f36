import type { Condition } from '../instrument/condition.ts';
import { HAVING } from '../instrument/having.ts';
import type { Minor } from '../money/minor.ts';
import type { Quantity } from '../readings/quantities.ts';
import { movedByAll, type MovedThing } from '../staleness/graph.ts';

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

/** The parts of an instrument that are worked down. */
export const WORN_PARTS = ['saddle', 'nut', 'frets', 'bridge'] as const;
export type WornPart = (typeof WORN_PARTS)[number];

/** What an operation is known for beyond its minutes and its price. What is left out does not apply. */
export interface OperationTraits {
  /** what an instrument has to have or be for it; nobody is offered it for another */
  readonly fits: Condition;
  /** what the customer reads of it; empty where it is nothing to them */
  readonly customer: string;
  /** what the customer reads of it once it is done; empty where that is the same */
  readonly done: string;
  /** what is no longer as it was made, as the customer reads it; empty where all stays original */
  readonly changes: string;
  /** it may show what nobody can see before */
  readonly risky: boolean;
  /** the part it takes from for good */
  readonly takesFrom: WornPart | null;
  /** the readings it is done by, fresh before it begins */
  readonly restsOn: readonly Quantity[];
  /** it waits until the neck is straight */
  readonly wantsStraight: boolean;
  /** it is never offered to gain a little where less leaves nothing out */
  readonly heavy: boolean;
  /** the findings that ask for it: item and finding, `plate:worn` */
  readonly askedBy: readonly string[];
  /** the operations it stands in for where the part is past them */
  readonly replaces: readonly string[];
  /** the operations that are part of it, and are not done beside it */
  readonly includes: readonly string[];
  /** how long it may rest instead of its wait, minutes; null where it always rests as long */
  readonly waitRange: { readonly low: number; readonly high: number } | null;
  /** when to act where it is left; a limit of the shop in braces: {fretHeight} */
  readonly actWhen: string;
  /** it is done with the strings on */
  readonly strung: boolean;
  /** whether strings come off with it, or are on again after it */
  readonly strings: 'off' | 'on' | null;
  /** it goes along with others and changes no reading of its own */
  readonly alongside: boolean;
  /** its amounts go along the string, not up and down */
  readonly alongString: boolean;
  /** a nut file to each gauge is fetched for it */
  readonly filesNut: boolean;
  /** it is part of a plain setup */
  readonly plain: boolean;
}

/** An operation without its id. Minutes hands-on, low, likely, high; wait in minutes; money in minor units. */
export interface OperationRecord extends OperationTraits {
  readonly name: string;
  /** place in the order of a setup */
  readonly order: number;
  /** what is done before it, where both are done */
  readonly needs: readonly string[];
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

/** What an operation is known for where nothing is said. */
export const NO_TRAITS: OperationTraits = {
  fits: HAVING.always,
  customer: '',
  done: '',
  changes: '',
  risky: false,
  takesFrom: null,
  restsOn: [],
  wantsStraight: false,
  heavy: false,
  askedBy: [],
  replaces: [],
  includes: [],
  waitRange: null,
  actWhen: '',
  strung: false,
  strings: null,
  alongside: false,
  alongString: false,
  filesNut: false,
  plain: false,
};

type Rest = Partial<
  OperationTraits &
    Pick<
      OperationRecord,
      'needs' | 'wait' | 'skill' | 'place' | 'materials' | 'parts' | 'reversible' | 'hazards'
    >
> & { readonly moves?: readonly MovedThing[] };

/** Declares an operation; what goes stale follows from what it moves. */
export const op = (
  name: string,
  order: number,
  minutes: readonly [low: number, likely: number, high: number],
  price: Minor,
  { moves = [], ...rest }: Rest = {},
): OperationRecord => ({
  ...NO_TRAITS,
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

/** The operations of one part of the instrument, by their ids. */
export const operations = <const K extends string>(
  of: Readonly<Record<K, OperationRecord>>,
): Readonly<Record<K, OperationRecord>> => of;

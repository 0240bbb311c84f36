import type { Construction } from '../../instrument/construction.ts';
import type { Work } from '../acts.ts';
import type { Insides } from '../insides.ts';

/** The kinds of fault, by the part of the instrument: what one's own progress is counted by. */
export const FAULT_GROUPS = {
  neck: 'The neck',
  frets: 'Frets',
  nut: 'Nut',
  saddle: 'Saddle and bridge',
  strings: 'Strings and tuners',
  electronics: 'Electronics',
  noise: 'Noise and body',
} as const;
export type FaultGroup = keyof typeof FAULT_GROUPS;

/** How hard a fault is to see: 1 at a first look, 3 only to somebody who puts readings together. */
export type FaultLevel = 1 | 2 | 3;

/** Random choices that come again for the same seed. */
export interface Draw {
  readonly between: (low: number, high: number) => number;
  readonly whole: (low: number, high: number) => number;
  readonly pick: <T>(list: readonly [T, ...T[]]) => T;
}

/** Something that can be hidden in an instrument. */
export interface Fault {
  readonly id: string;
  /** in the bench's words, as it is named at the end */
  readonly name: string;
  readonly group: FaultGroup;
  readonly level: FaultLevel;
  /** what else cannot be hidden beside it: faults that share a word here exclude each other */
  readonly touches: readonly string[];
  readonly fits: (c: Construction) => boolean;
  readonly hide: (inside: Insides, draw: Draw) => Insides;
  /** what a customer says who has it */
  readonly says: readonly [string, ...string[]];
  /** its own remedy: the next piece of work by the truth, null when there is nothing more to do */
  readonly remedy: (inside: Insides) => Work | null;
  /** what it is and what mends it, in a sentence or two, with the sum where there is one */
  readonly explains: (inside: Insides) => string;
}

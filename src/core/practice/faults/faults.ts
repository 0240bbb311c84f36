import type { Construction } from '../../instrument/construction.ts';
import type { Fault } from './fault.ts';
import { FRET_FAULTS } from './fret-faults.ts';
import { NECK_FAULTS } from './neck-faults.ts';
import { NUT_FAULTS, SADDLE_FAULTS } from './nut-and-saddle-faults.ts';
import { ELECTRIC_FAULTS, NOISE_FAULTS, STRING_FAULTS } from './other-faults.ts';

/** Everything that can be hidden, in the order in which it is put right. */
export const FAULTS: readonly Fault[] = [
  ...NOISE_FAULTS,
  ...ELECTRIC_FAULTS,
  ...STRING_FAULTS,
  ...NECK_FAULTS,
  ...FRET_FAULTS,
  ...NUT_FAULTS,
  ...SADDLE_FAULTS,
];

/** A fault by its id; null where there is none of that name. */
export const faultById = (id: string): Fault | null => FAULTS.find((f) => f.id === id) ?? null;

/** What can be wrong with an instrument at all. */
export const faultsFor = (c: Construction): readonly Fault[] => FAULTS.filter((f) => f.fits(c));

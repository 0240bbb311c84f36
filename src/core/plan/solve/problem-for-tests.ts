import type { Kind } from '../../instrument/kinds.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import type { PlanInput } from '../plan-input.ts';
import { input } from '../plan-input-for-tests.ts';
import { problemFrom } from './problem-from.ts';
import type { Problem } from './problem.ts';

/** A light hand on an instrument of unknown worth, with the whole catalogue. */
export const JOB = { touch: 'light', worth: null, catalogue: OPERATIONS, currency: '¤' } as const;

/** A problem with every station read at its aim; `set` overrides by quantity or key. */
export function problem(
  kind: Kind,
  set: Readonly<Record<string, number | null>> = {},
  more: Partial<PlanInput> = {},
  job: Partial<Parameters<typeof problemFrom>[1]> = {},
): Problem {
  const made = problemFrom(input(kind, set, more), { ...JOB, ...job });
  if ('because' in made) throw new Error(made.because);
  return made;
}

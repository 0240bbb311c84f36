import { z } from 'zod';
import { CONDITION_FACTS, type Condition } from '../core/instrument/condition.ts';
import { FACTS } from '../core/instrument/construction-facts.ts';
import { KINDS } from '../core/instrument/kinds.ts';

const fact = z.enum(CONDITION_FACTS);
const values = z.array(z.string().min(1).max(40)).min(1).max(20);

/** When something is asked or offered: a fact that is, or is not, one of some values; all or any of several such. */
export const condition: z.ZodType<Condition> = z.lazy(() =>
  z.union([
    z.strictObject({ fact, is: values }),
    z.strictObject({ fact, isNot: values }),
    z.strictObject({ all: z.array(condition).max(20) }),
    z.strictObject({ any: z.array(condition).min(1).max(20) }),
  ]),
);

/** The values of a condition that its fact does not have. */
export function unknownValues(c: Condition): string[] {
  if ('all' in c) return c.all.flatMap(unknownValues);
  if ('any' in c) return c.any.flatMap(unknownValues);
  const known: readonly string[] = c.fact === 'kind' ? KINDS : Object.keys(FACTS[c.fact]);
  return ('is' in c ? c.is : c.isNot).filter((v) => !known.includes(v)).map((v) => `${c.fact} “${v}”`);
}

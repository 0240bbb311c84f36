import { z } from 'zod';
import { FAULT_GROUPS, type FaultGroup } from '../../../core/practice/faults/fault.ts';
import { KINDS } from '../../../core/instrument/kinds.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** What is wanted of an instrument: drawn anew, or the one of a code. */
const wanted = {
  kind: z.enum(KINDS, 'Which kind?'),
  level: z.union([z.literal(1), z.literal(2), z.literal(3)], 'Which level?'),
  about: z.enum(Object.keys(FAULT_GROUPS) as [FaultGroup, ...FaultGroup[]]).nullable(),
  /** the code of one that somebody else had; empty for a new one */
  code: text(60),
};

/** Takes a practice instrument to one's own bench. Nothing of it reaches the shop's record. */
export const practiceBegin = command({
  name: 'practice.begin',
  may: 'see',
  events: [],
  input: z.object(wanted),
  answer: answering<{ readonly sessionId: number }>(),
});

/** Sets a practice instrument for somebody. */
export const practiceSet = command({
  name: 'practice.set',
  may: 'house',
  events: [],
  input: z.object({ ...wanted, personId: id }),
  answer: answering<{ readonly sessionId: number }>(),
});

import { z } from 'zod';
import { isOperationId, type OperationId } from '../core/catalogue/operation-ids.ts';
import { MOST } from '../core/practice/acts.ts';
import { QUESTION_IDS } from '../core/practice/questions.ts';

const operation = z.custom<OperationId>((v) => isOperationId(v), 'No such work');
const mm = (most: number) =>
  z.number('How much?').min(-most, `At most ${most} mm`).max(most, `At most ${most} mm`).optional();
const string = z.number('Which string?').int().min(0).max(23);
const fret = z.number('Which fret?').int().min(1, 'Which fret?').max(36, 'There is no such fret');

/** One thing that is done at a practice instrument. */
export const practiceAct = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('read'), station: z.string().max(40) }),
  z.object({ kind: z.literal('look'), item: z.string().max(40) }),
  z.object({ kind: z.literal('pluck'), string, held: z.number().int().min(0).max(36) }),
  z.object({ kind: z.literal('ask'), question: z.enum(QUESTION_IDS) }),
  z.object({
    kind: z.literal('work'),
    operation,
    eighths: z
      .number('How far?')
      .min(-MOST.eighths, 'A whole turn at most between two readings')
      .max(MOST.eighths, 'A whole turn at most between two readings')
      .optional(),
    string: string.optional(),
    fret: fret.optional(),
    amount: mm(MOST.amount),
    bass: mm(MOST.side),
    treble: mm(MOST.side),
  }),
]);

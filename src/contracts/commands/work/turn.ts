import { z } from 'zod';
import { LENGTH_UNITS } from '../../../core/units/length-units.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

const MOST_EIGHTHS = 16;

/**
 * Logs a turn of the truss rod where it is made: how much, which way, and what the relief reads now; nothing for a turn that is
 * made blind. What was read is kept as a reading too.
 */
export const workTurn = command({
  name: 'work.turn',
  may: 'work',
  events: ['rod turned', 'reading taken'],
  concerns: 'own leaves',
  input: z.object({
    lineId: id,
    /** eighths of a turn, tightening positive, in sixteenths of a turn */
    eighths: z
      .number()
      .multipleOf(0.5)
      .min(-MOST_EIGHTHS)
      .max(MOST_EIGHTHS)
      .refine((n) => n !== 0),
    after: text(160),
    unit: z.enum(LENGTH_UNITS),
  }),
  answer: answering<{ readonly turnId: number }>(),
});

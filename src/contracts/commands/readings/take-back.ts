import { z } from 'zod';
import { QUANTITIES } from '../../../core/readings/quantities.ts';
import { answering, command } from '../command.ts';
import { id, round, version } from '../fields.ts';

/**
 * Takes a reading back: nothing stands at that place of the round any more, the log keeps what did. Its version is
 * remembered, so that a screen which still shows it cannot write over what is read there next.
 */
export const readingsTakeBack = command({
  name: 'readings.take-back',
  may: 'measure',
  events: ['reading taken back'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    round,
    quantity: z.enum(QUANTITIES),
    string: z.number().int().min(0).max(14),
    fret: z.number().int().min(0).max(36),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});

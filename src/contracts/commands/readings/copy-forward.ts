import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, round } from '../fields.ts';

/**
 * Carries into a round what still holds from earlier ones: not stale, representative, not read there anew. Who read it and
 * when stays with it, and the round it came from is said.
 */
export const readingsCopyForward = command({
  name: 'readings.copy-forward',
  may: 'measure',
  events: ['readings carried forward'],
  concerns: 'own leaves',
  input: z.object({ jobId: id, round }),
  answer: answering<{ readonly copied: number }>(),
});

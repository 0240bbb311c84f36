import { z } from 'zod';
import { CAUSE_IDS, type CauseId } from '../../../core/hunt/causes.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Ends a hunt with its cause or leaves it; or opens one again that had ended. */
export const huntEnd = command({
  name: 'hunt.end',
  may: 'measure',
  events: ['hunt ended', 'hunt opened again'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    version,
    end: z.union([
      z.object({ cause: z.enum(CAUSE_IDS as [CauseId, ...CauseId[]]).nullable(), words: text(300) }),
      z.literal('goes on'),
    ]),
  }),
  answer: answering<{ readonly version: number }>(),
});

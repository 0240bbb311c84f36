import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Gives a job into a colleague's hands: how it stands, what is stale, what was tried, what to beware of. */
export const workHandOn = command({
  name: 'work.hand-on',
  may: 'work',
  events: ['job handed on', 'step interrupted'],
  input: z.object({
    jobId: id,
    version,
    toPerson: id,
    state: text(1000).min(1, 'How does it stand?'),
    tried: text(1000),
    beware: text(1000),
  }),
  answer: answering<{ readonly version: number }>(),
});

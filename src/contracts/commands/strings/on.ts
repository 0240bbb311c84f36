import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/**
 * Strings go on: which set, new or used, each gauge. From here on readings belong to the round after the work; those
 * taken before are stale where strings move them.
 */
export const stringsOn = command({
  name: 'strings.on',
  may: 'work',
  events: ['strings put on'],
  input: z.object({
    jobId: id,
    setName: text(120),
    fresh: z.boolean(),
    strings: z
      .array(z.object({ note: text(4).min(1), gauge: z.number().min(0.1).max(5), wound: z.boolean() }))
      .min(1)
      .max(14),
  }),
  answer: answering<{ readonly round: string }>(),
});

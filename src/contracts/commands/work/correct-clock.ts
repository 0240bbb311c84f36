import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Puts a clock right that was forgotten: how long it really was, with the reason. One's own; a lead anybody's. */
export const workCorrectClock = command({
  name: 'work.correct-clock',
  may: 'work',
  events: ['clock corrected'],
  input: z.object({
    entryId: id,
    minutes: z.number().int().min(0).max(10_000),
    reason: text(200).min(1, 'Why is it put right?'),
  }),
  answer: answering<{ readonly entryId: number }>(),
});

import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** A second person puts their name to the bench check: never the one who made it. */
export const handOverSecond = command({
  name: 'hand-over.second',
  may: 'work',
  events: ['bench checked again'],
  input: z.object({ jobId: id, version }),
  answer: answering<{ readonly version: number }>(),
});

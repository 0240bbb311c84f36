import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Moves a line of the work order, within what needs what. */
export const workMove = command({
  name: 'work.move',
  may: 'plan',
  events: ['line moved'],
  input: z.object({ lineId: id, version, to: z.number().int().min(0).max(500) }),
  answer: answering<{ readonly version: number }>(),
});

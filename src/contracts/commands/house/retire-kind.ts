import { z } from 'zod';
import { answering, command } from '../command.ts';
import { kindId, version } from '../fields.ts';

/** Offers a kind of the shop's own no longer, or again. */
export const houseRetireKind = command({
  name: 'house.retire-kind',
  may: 'house',
  events: ['kind retired'],
  input: z.object({ id: kindId, version, retired: z.boolean() }),
  answer: answering<{ readonly version: number }>(),
});

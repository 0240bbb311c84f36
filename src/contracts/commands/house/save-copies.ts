import { z } from 'zod';
import { copiesSchema } from '../../copies.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps when copies of the record are made, and how many stay. */
export const houseSaveCopies = command({
  name: 'house.save-copies',
  may: 'house',
  events: ['copies changed'],
  input: z.object({ version, copies: copiesSchema }),
  answer: answering<{ readonly version: number }>(),
});

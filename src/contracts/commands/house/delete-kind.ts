import { z } from 'zod';
import { answering, command } from '../command.ts';
import { kindId, version } from '../fields.ts';

/** Deletes a kind of the shop's own that no instrument is of. */
export const houseDeleteKind = command({
  name: 'house.delete-kind',
  may: 'house',
  events: ['kind deleted'],
  input: z.object({ id: kindId, version }),
  answer: answering<{ readonly id: string }>(),
});

import { z } from 'zod';
import { shopTargetsSchema } from '../../shop-targets.ts';
import { answering, command } from '../command.ts';
import { text, version } from '../fields.ts';

/** Keeps what the shop aims at as its next version. Earlier versions stay. */
export const houseSaveTargets = command({
  name: 'house.save-targets',
  may: 'house',
  events: ['targets saved'],
  input: z.object({ version, targets: shopTargetsSchema, note: text(200) }),
  answer: answering<{ readonly version: number }>(),
});

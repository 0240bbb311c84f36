import { z } from 'zod';
import { shopCareSchema } from '../../shop-care.ts';
import { answering, command } from '../command.ts';
import { text, version } from '../fields.ts';

/** Keeps what may touch what, as the shop says it, as its next version. Earlier versions stay. */
export const houseSaveCare = command({
  name: 'house.save-care',
  may: 'house',
  events: ['care saved'],
  input: z.object({ version, care: shopCareSchema, note: text(200) }),
  answer: answering<{ readonly version: number }>(),
});

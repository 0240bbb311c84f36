import { z } from 'zod';
import { shopInfoSchema } from '../../shop-info.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps what the shop is called and where it is, its money, its tax, its paper. */
export const houseSaveShop = command({
  name: 'house.save-shop',
  may: 'house',
  events: ['shop changed'],
  input: z.object({ version, shop: shopInfoSchema }),
  answer: answering<{ readonly version: number }>(),
});

import { z } from 'zod';
import { operationsFormat } from '../../formats/operations.ts';
import { answering, command } from '../command.ts';
import { text, version } from '../fields.ts';

/** Keeps the shop's catalogue as its next version. Earlier versions stay; jobs go by the newest from now on. */
export const houseSaveOperations = command({
  name: 'house.save-operations',
  may: 'house',
  events: ['operations saved'],
  input: z.object({ version, operations: operationsFormat, note: text(200) }),
  answer: answering<{ readonly version: number }>(),
});

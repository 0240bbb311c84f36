import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Says a mark in other words, or takes it away; its history stays among the job's events. */
export const custodyChangeMark = command({
  name: 'custody.change-mark',
  may: 'take-in',
  events: ['damage mark taken away', 'damage mark changed'],
  input: z.object({ markId: id, version, words: text(400), removed: z.boolean() }),
  answer: answering<{ readonly version: number }>(),
});

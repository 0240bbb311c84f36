import { z } from 'zod';
import { answering, command } from '../command.ts';

/** Takes out again what a file brought in. What was used here since stays, and is counted. */
export const shelfTakeBack = command({
  name: 'shelf.take-back',
  may: 'house',
  events: ['file taken back'],
  input: z.object({ brought: z.uuid() }),
  answer: answering<{
    readonly jobs: number;
    readonly instruments: number;
    readonly customers: number;
    /** of what the file brought, so much is in use here and stays */
    readonly stay: number;
  }>(),
});

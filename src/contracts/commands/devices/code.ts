import { z } from 'zod';
import { answering, command } from '../command.ts';

/** Makes a code that pairs tablets with the shop; only its hash is kept. */
export const devicesCode = command({
  name: 'devices.code',
  may: 'house',
  events: ['pairing code made'],
  input: z.object({ uses: z.number().int().min(1).max(20) }),
  answer: answering<{ readonly code: string; readonly expiresAt: string }>(),
});

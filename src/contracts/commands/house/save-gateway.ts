import { z } from 'zod';
import { gatewaySchema } from '../../house-rules.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps what the stand-in for a mail or text service does with messages. */
export const houseSaveGateway = command({
  name: 'house.save-gateway',
  may: 'house',
  events: ['message gateway changed'],
  input: z.object({ version, gateway: gatewaySchema }),
  answer: answering<{ readonly version: number }>(),
});

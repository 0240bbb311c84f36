import { z } from 'zod';
import { messageSecretsSchema, messageSettingsSchema } from '../../message-settings.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps how messages leave the house, and the shop's own words for them. */
export const houseSaveMessages = command({
  name: 'house.save-messages',
  may: 'house',
  events: ['messages changed'],
  input: z.object({ version, messages: messageSettingsSchema, secrets: messageSecretsSchema }),
  answer: answering<{ readonly version: number }>(),
});

import { z } from 'zod';
import { ROLES } from '../../../core/people/roles.ts';
import { SKILLS, type Skill } from '../../../core/catalogue/operation-record.ts';
import { weekHoursSchema } from '../../opening.ts';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';
import { newPin } from './new-pin.ts';

/** Adds somebody to the shop, or changes their name, letters, role, skill or hours. Somebody new gets a PIN of their own at once. */
export const peopleSave = command({
  name: 'people.save',
  may: 'house',
  events: ['person added', 'person changed'],
  input: z.object({
    id: id.nullable(),
    version,
    name: z.string().trim().min(1, 'What are they called?').max(80, 'At most 80 characters'),
    initials: z.string().trim().min(1, 'One to four letters').max(4, 'One to four letters'),
    role: z.enum(ROLES),
    skill: z.enum(Object.keys(SKILLS) as [Skill, ...Skill[]]),
    /** when they work; null where it is when the shop is open, left as it is where nothing is said */
    hours: weekHoursSchema.nullable().optional(),
    pin: newPin.nullable(),
  }),
  answer: answering<{ readonly id: number; readonly version: number }>(),
});

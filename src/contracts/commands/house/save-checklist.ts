import { z } from 'zod';
import { checklistItems } from '../../formats/checklists.ts';
import { answering, command } from '../command.ts';
import { text, version } from '../fields.ts';

/** Keeps a list as its next version; inspections begun with an earlier one keep that. Version 0 begins a new list. */
export const houseSaveChecklist = command({
  name: 'house.save-checklist',
  may: 'house',
  events: ['checklist saved'],
  input: z.object({
    list: z.string().regex(/^[a-z0-9-]{1,40}$/, 'Small letters, digits and hyphens'),
    name: text(80).min(1, 'What is it called?'),
    ends: z.array(text(60).min(1)).max(6),
    items: checklistItems,
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});

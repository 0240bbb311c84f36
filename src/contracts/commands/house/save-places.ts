import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Keeps the places of the shop, in their order: where instruments hang, and the benches. */
export const houseSavePlaces = command({
  name: 'house.save-places',
  may: 'house',
  events: ['places changed'],
  input: z.object({
    version,
    places: z
      .array(
        z.object({
          /** null for one that is new */
          id: z.union([z.null(), id]),
          name: text(40).min(1, 'What is it called?'),
          kind: z.enum(['rack', 'bench']),
        }),
      )
      .min(1, 'At least one place')
      .max(500, 'At most 500 places')
      .refine((all) => new Set(all.map((p) => p.name.toLowerCase())).size === all.length, 'Each name once'),
  }),
  answer: answering<{ readonly version: number }>(),
});

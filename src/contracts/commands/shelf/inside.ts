import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

const said = {
  name: text(120).min(1, 'What is it?'),
  /** as it is written on it or was measured: `250 kΩ`, `22 nF` */
  value: text(80),
  wires: text(500),
  note: text(300),
};

/** Says of a part inside an instrument what it is, its value, and which wire goes where. */
export const shelfInside = command({
  name: 'shelf.inside',
  may: 'work',
  events: ['inside said'],
  input: z.object({ instrumentId: id, ...said }),
  answer: answering<{ readonly partId: number }>(),
});

/** Changes what is said of a part inside, or why it is not in there any more. */
export const shelfChangeInside = command({
  name: 'shelf.change-inside',
  may: 'work',
  events: ['inside changed'],
  input: z.object({
    partId: id,
    version,
    ...said,
    /** why it is not inside any more: by what it was replaced; nothing while it is */
    gone: text(200),
  }),
  answer: answering<{ readonly version: number }>(),
});

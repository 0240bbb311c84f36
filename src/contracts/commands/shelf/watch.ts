import { z } from 'zod';
import { WATCHED_IDS, type WatchedId } from '../../../core/learn/watched.ts';
import { LENGTH_UNITS } from '../../../core/units/length-units.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

const limit = {
  limit: text(80),
  unit: z.enum(LENGTH_UNITS),
  side: z.enum(['above', 'below']),
  note: text(200),
};

/** Watches something on an instrument: past its limit something is to be done. */
export const shelfWatch = command({
  name: 'shelf.watch',
  may: 'inspect',
  events: ['watch set'],
  input: z.object({
    instrumentId: id,
    what: z.enum(WATCHED_IDS as [WatchedId, ...WatchedId[]]),
    ...limit,
  }),
  answer: answering<{ readonly watchId: number }>(),
});

/** Changes the limit of something watched, or ends it. */
export const shelfChangeWatch = command({
  name: 'shelf.change-watch',
  may: 'inspect',
  events: ['watch changed', 'watch ended'],
  input: z.object({ watchId: id, version, ...limit, ended: z.boolean() }),
  answer: answering<{ readonly version: number }>(),
});

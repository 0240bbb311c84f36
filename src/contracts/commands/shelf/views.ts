import { z } from 'zod';
import { JOB_COLUMN_IDS, type JobColumn } from '../../../core/find/job-query.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Keeps how the list of jobs is looked at, under a name of one's own; one kept under that name is replaced. */
export const shelfKeepView = command({
  name: 'shelf.keep-view',
  may: 'see',
  events: ['view kept'],
  input: z.object({
    name: text(60).min(1, 'What is it called?'),
    query: text(600),
    hidden: z.array(z.enum(JOB_COLUMN_IDS as [JobColumn, ...JobColumn[]])).max(JOB_COLUMN_IDS.length),
  }),
  answer: answering<{ readonly viewId: number }>(),
});

/** Drops a view of one's own. */
export const shelfDropView = command({
  name: 'shelf.drop-view',
  may: 'see',
  events: ['view dropped'],
  input: z.object({ viewId: id }),
  answer: answering<{ readonly viewId: number }>(),
});

import { z } from 'zod';
import { answering, command } from '../command.ts';
import { howLongAgo, id, text, version } from '../fields.ts';

/**
 * Starts, pauses, finishes or reopens a step, or takes the last of these back; time is counted. A finished step makes its
 * readings stale and begins its rest; the one that takes the strings off has them off by the record too.
 */
export const workStep = command({
  name: 'work.step',
  may: 'work',
  events: [
    'step start',
    'step pause',
    'step finish',
    'step reopen',
    'step undone',
    'step interrupted',
    'part wanted',
    'strings taken off',
  ],
  offline: true,
  input: z.object({
    lineId: id,
    version,
    action: z.enum(['start', 'pause', 'finish', 'reopen', 'undo']),
    /** why it is begun without the reading it is cut by */
    without: text(200).optional(),
    ago: howLongAgo,
  }),
  answer: answering<{ readonly version: number }>(),
});

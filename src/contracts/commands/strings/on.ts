import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

const stringNumbers = z.array(z.number().int().min(1).max(14)).max(14);

/**
 * Strings go on: which set, which of them are new, what broke, each gauge; the step that was for it is finished with it. Where
 * they are on already, some were replaced or the set is put right. From here on readings belong to the round after the work; those
 * taken before are stale where strings move them.
 */
export const stringsOn = command({
  name: 'strings.on',
  may: 'work',
  events: ['strings put on', 'step start', 'step finish', 'part wanted'],
  input: z.object({
    jobId: id,
    setName: text(120),
    fresh: z.boolean(),
    /** which are new, by number, where not all are */
    newOnes: stringNumbers.min(1, 'Which are new?').optional(),
    broke: stringNumbers.optional(),
    brokeNote: text(200).optional(),
    /** why its step was begun while something stood in its way */
    without: text(200).optional(),
    /** the step this was */
    finishes: z.object({ lineId: id, version }).optional(),
    strings: z
      .array(z.object({ note: text(4).min(1), gauge: z.number().min(0.1).max(5), wound: z.boolean() }))
      .min(1)
      .max(14),
  }),
  answer: answering<{ readonly round: string }>(),
});

import { z } from 'zod';
import { STRING_AGE_NAMES } from '../../../core/readings/set-on.ts';
import { QUANTITIES } from '../../../core/readings/quantities.ts';
import { methodsSchema } from '../../habits.ts';
import { answering, command } from '../command.ts';
import { id, round, stringsState, text, version } from '../fields.ts';

/** Says how the instrument is while a round is read. Readings taken from now on inherit it; earlier ones keep theirs. */
export const readingsConditions = command({
  name: 'readings.conditions',
  may: 'measure',
  events: ['conditions set'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    round,
    version,
    strings: stringsState,
    position: z.enum(['playing', 'on-its-back']),
    tuning: text(60).min(1, 'Which tuning?'),
    /** the set that is on, and how old it is; null where nobody said */
    setOn: text(120).optional(),
    setAge: z.enum(STRING_AGE_NAMES).nullable().optional(),
    temperature: z.number().min(-40).max(60).nullable(),
    humidity: z.number().min(0).max(100).nullable(),
    pitch: z.number().min(380).max(500).nullable().optional(),
    gauges: z.partialRecord(z.enum(QUANTITIES), id).optional(),
    methods: methodsSchema.optional(),
  }),
  answer: answering<{ readonly version: number }>(),
});

import { z } from 'zod';
import { QUANTITIES } from '../../../core/readings/quantities.ts';
import { LENGTH_UNITS } from '../../../core/units/length-units.ts';
import { answering, command } from '../command.ts';
import { howLongAgo, id, round, text, version } from '../fields.ts';

/**
 * Keeps one reading of a round: the typed text, what it means, its gauge with what that can tell, and the conditions it
 * was taken under. A colleague's reading of the same place is never silently replaced: both values come back.
 */
export const readingsSave = command({
  name: 'readings.save',
  may: 'measure',
  events: ['reading taken'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    round,
    quantity: z.enum(QUANTITIES),
    string: z.number().int().min(0).max(14),
    fret: z.number().int().min(0).max(36),
    typed: text(60).min(1, 'Nothing is written here yet.'),
    unit: z.enum(LENGTH_UNITS),
    version,
    gaugeId: id.optional(),
    /** the ear gave it: what it may be off beside the spread of its plucks, one standard deviation in cents */
    heard: z.number().min(0).max(20).optional(),
    /** the last pluck of it as a small WAV file in base64, where it is to be kept */
    sound: z.base64().max(200_000, 'A sound of two seconds at most').optional(),
    ago: howLongAgo,
  }),
  answer: answering<{
    readonly version: number;
    readonly value: number;
    readonly notRepresentative: string | null;
  }>(),
});

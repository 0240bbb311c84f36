import { z } from 'zod';
import { QUANTITIES } from '../../../core/readings/quantities.ts';
import { LENGTH_UNITS } from '../../../core/units/length-units.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Keeps a gauge of the shop; id 0 is a new one. Readings taken with it keep the uncertainty they were taken with. */
export const houseSaveGauge = command({
  name: 'house.save-gauge',
  may: 'house',
  events: ['gauge kept'],
  input: z.object({
    id: z.union([z.literal(0), id]),
    version,
    name: text(80).min(1, 'What is it called?'),
    quantities: z.array(z.enum(QUANTITIES)).max(QUANTITIES.length),
    unit: z.enum(LENGTH_UNITS),
    resolution: z.number().positive('More than nothing').max(25),
    zeroOffset: z.number().min(-5).max(5),
    checkEveryDays: z.number().int().min(1, 'At least a day').max(3650),
    retired: z.boolean(),
  }),
  answer: answering<{ readonly gaugeId: number }>(),
});

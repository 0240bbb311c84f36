import { z } from 'zod';
import { CUT_PLACE, type CutPlace } from '../../../core/work/cuts.ts';
import { LENGTH_UNITS } from '../../../core/units/length-units.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Logs a cut of the saddle or a nut slot as it was made: where, what was meant, what came off. */
export const workCut = command({
  name: 'work.cut',
  may: 'work',
  events: ['cut logged'],
  concerns: 'own leaves',
  input: z.object({
    lineId: id,
    place: z.custom<CutPlace>((v) => typeof v === 'string' && CUT_PLACE.test(v), 'No such place'),
    meant: text(80),
    took: text(80),
    unit: z.enum(LENGTH_UNITS),
  }),
  answer: answering<{ readonly cutId: number }>(),
});

import { z } from 'zod';
import type { Moves } from '../core/whatif/moves.ts';

const mm = z.number().min(-20).max(20);
const each = z.array(mm).max(14);

/** What is tried on a neck, as it crosses the wire. */
export const movesSchema: z.ZodType<Moves> = z.strictObject({
  relief: z.number().min(-2).max(2),
  nut: each,
  frets: z.number().min(0).max(2),
  tops: z.array(mm).max(37).nullable(),
  bass: mm,
  treble: mm,
  trim: each,
  tilt: mm,
  thin: z.number().min(0).max(10),
  contact: each,
  strings: z
    .array(
      z.object({ note: z.string().min(1).max(4), gauge: z.number().min(0.1).max(5), wound: z.boolean() }),
    )
    .max(14)
    .nullable(),
});

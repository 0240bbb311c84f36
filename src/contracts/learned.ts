import { z } from 'zod';

/** What of the proposals of what was learned was put away, by whom and with how much behind it. */
export const learnedSettingSchema = z.object({
  left: z
    .record(
      z.string().max(60),
      z.object({ count: z.number().int().min(0), by: z.string().max(120), at: z.string().max(40) }),
    )
    .default({}),
});

/** A proposal by its name: `first-cut`, `minutes:rod`, `price:fret-dress`. */
export const proposalId = z.string().regex(/^(?:first-cut|(?:minutes|price):[a-z0-9-]{1,40})$/);

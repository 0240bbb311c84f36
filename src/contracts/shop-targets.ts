import { z } from 'zod';

const band = z
  .object({ low: z.number().min(-50), aim: z.number().min(-50), high: z.number().max(50) })
  .refine((b) => b.low <= b.aim && b.aim <= b.high, 'Low, aim and high must not fall');

const kindTargets = z.object({
  relief: band,
  actionBass: band,
  actionTreble: band,
  nutGap: band,
  intonation: band,
  pickupBass: band.optional(),
  pickupTreble: band.optional(),
  vibratoFloat: band.optional(),
});

const share = z.number().min(-3, 'At least −3').max(3, 'At most 3');

/** What the shop aims at, as it is kept and sent: bands by kind, shares of a band's width by touch. */
export const shopTargetsSchema = z.object({
  kinds: z.record(z.string().regex(/^[a-z0-9-]{1,40}$/), kindTargets),
  touch: z.object({ light: share, medium: share, heavy: share }),
  slackPerSemitone: z.number().min(0).max(2),
});

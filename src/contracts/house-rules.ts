import { z } from 'zod';
import { USUAL_RULES } from '../core/hand-over/rules.ts';

/** How the shop hands over, as it is kept. */
export const rulesSchema = z.object({
  second: z.enum(['never', 'worth', 'always']).default(USUAL_RULES.second),
  secondFrom: z.number().int().min(0).max(100_000_000).default(USUAL_RULES.secondFrom),
  tweakDays: z.number().int().min(0).max(365).default(USUAL_RULES.tweakDays),
  checkWeeks: z.number().int().min(2, 'Two to four weeks').max(4, 'Two to four weeks').default(3),
  reminders: z.number().int().min(0).max(20).default(USUAL_RULES.reminders),
  linkDays: z.number().int().min(1).max(90).default(USUAL_RULES.linkDays),
});

/** What the stand-in for a mail or text service does with messages. */
export const gatewaySchema = z.object({
  does: z.enum(['deliver', 'fail', 'every-third-fails']).default('deliver'),
  /** seconds it takes */
  delay: z.number().int().min(0).max(3600).default(2),
});

export type GatewaySettings = z.infer<typeof gatewaySchema>;

import { z } from 'zod';
import { movesSchema } from './moves.ts';

const id = z.number().int().positive();
const version = z.number().int().min(0);
const text = (max: number) => z.string().trim().max(max, `At most ${max} characters`);

/** What is tried on a neck, which plan a job goes by, and the options put before the customer. */
export const PLAN_COMMANDS = {
  'plan.keep-try': z.object({
    jobId: id,
    tryId: z.union([z.literal(0), id]),
    name: text(80).min(1, 'What is it called?'),
    moves: movesSchema,
    version,
  }),
  'plan.drop-try': z.object({ tryId: id, version }),
  'plan.worth': z.object({
    jobId: id,
    worthMinor: z.union([z.null(), z.number().int().min(0).max(100_000_000_00)]),
    version,
  }),
  'plan.choose': z.object({
    jobId: id,
    plan: z.enum(['leave', 'sufficient', 'best']),
    reason: text(400),
    version,
  }),
  'plan.offer': z.object({ jobId: id, days: z.number().int().min(1, 'At least a day').max(90) }),
  'plan.withdraw-offer': z.object({ offerId: id }),
  'plan.record-choice': z.object({
    offerId: id,
    choice: z.enum(['leave', 'sufficient', 'best']),
    by: text(120).min(1, 'Who said so?'),
    how: z.enum(['at the counter', 'by telephone', 'in writing']),
    note: text(400),
  }),
} as const;

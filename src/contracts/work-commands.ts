import { z } from 'zod';
import { operationId } from './operation-id.ts';
import { rulesSchema, gatewaySchema } from './house-rules.ts';

const id = z.number().int().positive();
const version = z.number().int().min(0);
const text = (max: number) => z.string().trim().max(max, `At most ${max} characters`);
const money = z.number().int().min(0).max(100_000_000);
const lineOrNone = z.union([z.null(), id]);

/** What is done on a tablet without a connection carries the moment it was done. */
export const howLongAgo = z.number().int().min(0).optional();

/** The bench, the words between people, the customer's link, and what comes after the signature. */
export const WORK_COMMANDS = {
  'work.step': z.object({
    lineId: id,
    version,
    action: z.enum(['start', 'pause', 'finish', 'reopen', 'undo']),
    /** why it is begun without the reading it is cut by */
    without: text(200).optional(),
    ago: howLongAgo,
  }),
  'work.move': z.object({ lineId: id, version, to: z.number().int().min(0).max(500) }),
  'work.ask-change': z.object({
    jobId: id,
    operation: operationId,
    detail: text(400),
    found: text(1000).min(1, 'What was found?'),
    stops: lineOrNone,
    withinLimit: z.boolean(),
  }),
  'work.remark': z.object({
    jobId: id,
    lineId: lineOrNone,
    kind: z.enum(['note', 'question']),
    words: text(2000).min(1, 'Write it first.'),
    toPerson: z.union([z.null(), id]),
    ago: howLongAgo,
  }),
  'work.reply': z.object({ remarkId: id, version, answer: text(2000).min(1, 'Write the answer first.') }),
  'work.hand-on': z.object({
    jobId: id,
    version,
    toPerson: id,
    state: text(1000).min(1, 'How does it stand?'),
    tried: text(1000),
    beware: text(1000),
  }),
  'work.accident': z.object({
    jobId: id,
    lineId: lineOrNone,
    happened: text(1000).min(1, 'What happened?'),
    remedy: text(1000),
    ago: howLongAgo,
  }),
  'work.change-accident': z.object({
    accidentId: id,
    version,
    happened: text(1000).min(1, 'What happened?'),
    remedy: text(1000),
  }),
  'work.correct-clock': z.object({
    entryId: id,
    minutes: z.number().int().min(0).max(10_000),
    reason: text(200).min(1, 'Why is it put right?'),
  }),
  'work.link': z.object({ jobId: id, purpose: z.enum(['estimate', 'sheet']) }),
  'work.withdraw-link': z.object({ linkId: id }),
  'hand-over.second': z.object({ jobId: id, version }),
  'hand-over.advice': z.object({
    jobId: id,
    version,
    advice: text(2000),
    nextCheck: z.union([z.null(), z.iso.date('Write the date as year-month-day')]),
  }),
  'hand-over.paid': z.object({
    jobId: id,
    amountMinor: money,
    /** what the screen showed as paid already: another payment meanwhile is not written over */
    over: money.nullable().default(null),
    how: z.enum(['cash', 'card', 'transfer', 'on account']),
  }),
  'hand-over.tweak': z.object({
    jobId: id,
    words: text(1000).min(1, 'What would they have otherwise?'),
  }),
  'desk.message': z.object({
    jobId: id,
    purpose: z.enum(['estimate', 'ready', 'next-check']),
    channel: z.enum(['mail', 'text']),
  }),
  'desk.resend': z.object({ messageId: id }),
  'people.seen': z.object({ upTo: id }),
  'house.save-rules': z.object({ version, rules: rulesSchema }),
  'house.save-gateway': z.object({ version, gateway: gatewaySchema }),
} as const;

/** What each of them answers when it is done. */
export interface WorkAnswer {
  'work.step': { version: number };
  'work.move': { version: number };
  'work.ask-change': { lineId: number; approval: 'asked' | 'yes' };
  'work.remark': { remarkId: number };
  'work.reply': { version: number };
  'work.hand-on': { version: number };
  'work.accident': { accidentId: number };
  'work.change-accident': { version: number };
  'work.correct-clock': { entryId: number };
  'work.link': { linkId: number; token: string };
  'work.withdraw-link': { linkId: number };
  'hand-over.second': { version: number };
  'hand-over.advice': { version: number };
  'hand-over.paid': { version: number };
  'hand-over.tweak': { lineId: number; free: boolean };
  'desk.message': { messageId: number };
  'desk.resend': { messageId: number };
  'people.seen': { seen: number };
  'house.save-rules': { version: number };
  'house.save-gateway': { version: number };
}

import { z } from 'zod';
import { ANSWERS } from '../core/inspection/checklist.ts';
import { VIEWS } from '../core/instrument/outline.ts';
import { WAITS } from '../core/job/waiting.ts';
import { QUANTITIES } from '../core/readings/quantities.ts';
import { ROUND_KIND, type RoundKind } from '../core/readings/rounds.ts';
import { RELATIVE_WISHES, type RelativeWish } from '../core/targets/target.ts';
import { LENGTH_UNITS } from '../core/units/length-units.ts';
import { operationsFormat } from './formats/operations.ts';
import { operationId } from './operation-id.ts';
import { PLAN_COMMANDS } from './plan-commands.ts';
import { WORK_COMMANDS, howLongAgo, type WorkAnswer } from './work-commands.ts';
import { checklistItems } from './formats/checklists.ts';
import { constructionSchema } from './construction.ts';
import { habitsSchema, methodsSchema } from './habits.ts';
import { shopTargetsSchema } from './shop-targets.ts';

const id = z.number().int().positive();
const version = z.number().int().min(0);
const text = (max: number) => z.string().trim().max(max, `At most ${max} characters`);
/** A drawing of a finger: strokes of points; null when it is done by name. */
const strokes = z
  .array(z.array(z.object({ x: z.number().min(0).max(4000), y: z.number().min(0).max(4000) })).max(4000))
  .max(200)
  .nullable();
/** A kind the shop offers: a shipped one or its own. */
const kindId = z.string().regex(/^[a-z0-9-]{1,40}$/);
const entity = z.enum(['customer', 'instrument']);
const round = z.custom<RoundKind>((v) => typeof v === 'string' && ROUND_KIND.test(v), 'No such round');
const stringsState = z.enum(['at-pitch', 'missing', 'off-pitch', 'off']);

/** Said of a place where another instrument hangs: both do. */
const together = z.boolean().optional();

const relative = z.enum(Object.keys(RELATIVE_WISHES) as [RelativeWish, ...RelativeWish[]]).nullable();

/** Taking an instrument in at the counter. */
export const takeInSchema = z.object({
  customer: z.union([
    z.object({ id }),
    z.object({
      name: text(120).min(1, 'Who brings it?'),
      phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
      email: z.union([z.literal(''), z.email('This is not an e-mail address')]),
    }),
  ]),
  instrument: z.union([
    z.object({ id }),
    z.object({
      maker: text(80),
      model: text(120).min(1, 'What is it called? “no name” will do'),
      year: text(20),
      serial: text(60),
      construction: constructionSchema,
      kind: kindId.optional(),
    }),
  ]),
  complaint: text(2000).min(1, 'What brings it here, in the customer’s own words?'),
  touch: z.enum(['light', 'medium', 'heavy']),
  plays: text(200),
  wish: text(1000),
  /** the action they would like, against what is there now */
  actionWish: relative.optional(),
  neededBy: z.union([z.null(), z.iso.date('Write the date as year-month-day')]),
  hardDate: z.boolean(),
  hardReason: text(120),
  limitMinor: z.union([z.null(), z.number().int().min(0).max(100_000_00)]),
  stringsState,
  cameWith: z.array(z.object({ name: text(120).min(1), state: text(200) })).max(30),
  placeId: z.union([z.null(), id]),
  together,
});

/** Every command a screen can give, by name, with what it takes. */
export const COMMANDS = {
  'desk.take-in': takeInSchema,
  'desk.receipt': z.object({
    jobId: id,
    name: text(120).min(1, 'Who has seen it?'),
    initials: strokes,
  }),
  'custody.mark': z.object({
    jobId: id,
    view: z.enum(VIEWS),
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    words: text(400),
  }),
  'custody.change-mark': z.object({ markId: id, version, words: text(400), removed: z.boolean() }),
  'custody.remove-photo': z.object({ photoId: id }),
  'custody.bag': z.object({ jobId: id, name: text(120).min(1, 'Which part is it?'), state: text(200) }),
  'rack.move': z.object({
    jobId: id,
    version,
    placeId: z.union([z.null(), id]),
    together,
    waitingFor: z.enum(WAITS),
    waitingNote: text(200),
    holderId: z.union([z.null(), id]),
  }),
  'inspection.answer': z.object({
    jobId: id,
    item: text(40),
    answer: z.enum(ANSWERS).nullable(),
    note: text(2000),
    version,
    ago: howLongAgo,
  }),
  'inspection.finish': z.object({ jobId: id, version, ending: text(60) }),
  'inspection.choose-list': z.object({ jobId: id, list: text(40).min(1) }),
  'shelf.import-customers': z.object({
    customers: z
      .array(
        z.object({
          name: text(120).min(1, 'There is no name'),
          phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
          email: text(160),
        }),
      )
      .min(1)
      .max(20_000),
  }),
  'shelf.import-instruments': z.object({
    instruments: z
      .array(
        z.object({
          customer: text(120).min(1),
          kind: kindId,
          maker: text(80),
          model: text(120).min(1),
          year: text(20),
          serial: text(60),
          construction: constructionSchema,
        }),
      )
      .min(1)
      .max(20_000),
  }),
  'shelf.merge': z.object({ entity, keepId: id, goneId: id, verdict: z.enum(['same', 'apart']) }),
  'shelf.undo-merge': z.object({ mergeId: id }),
  'shelf.change-instrument': z.object({
    instrumentId: id,
    version,
    maker: text(80),
    model: text(120).min(1, 'What is it called? “no name” will do'),
    year: text(20),
    yearFrom: text(120),
    serial: text(60),
    kind: kindId,
    construction: constructionSchema,
  }),
  'house.save-kind': z.object({
    id: z.union([z.literal(''), kindId]),
    version,
    name: text(60).min(1, 'What is it called?'),
    construction: constructionSchema,
  }),
  'house.save-checklist': z.object({
    list: z.string().regex(/^[a-z0-9-]{1,40}$/, 'Small letters, digits and hyphens'),
    name: text(80).min(1, 'What is it called?'),
    ends: z.array(text(60).min(1)).max(6),
    items: checklistItems,
    version,
  }),
  'house.save-habits': z.object({ version, habits: habitsSchema }),
  'house.save-gauge': z.object({
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
  'house.check-gauge': z.object({
    gaugeId: id,
    version,
    reference: z.number().min(0).max(1000),
    shows: z.number().min(-1000).max(1000),
  }),
  'house.save-targets': z.object({ version, targets: shopTargetsSchema, note: text(200) }),
  'house.save-operations': z.object({ version, operations: operationsFormat, note: text(200) }),
  'strings.off': z.object({ jobId: id, reason: text(400) }),
  'strings.on': z.object({
    jobId: id,
    setName: text(120),
    fresh: z.boolean(),
    strings: z
      .array(z.object({ note: text(4).min(1), gauge: z.number().min(0.1).max(5), wound: z.boolean() }))
      .min(1)
      .max(14),
  }),
  'readings.conditions': z.object({
    jobId: id,
    round,
    version,
    strings: stringsState,
    position: z.enum(['playing', 'on-its-back']),
    tuning: text(60).min(1, 'Which tuning?'),
    temperature: z.number().min(-40).max(60).nullable(),
    humidity: z.number().min(0).max(100).nullable(),
    pitch: z.number().min(380).max(500).nullable().optional(),
    gauges: z.partialRecord(z.enum(QUANTITIES), id).optional(),
    methods: methodsSchema.optional(),
  }),
  'readings.save': z.object({
    jobId: id,
    round,
    quantity: z.enum(QUANTITIES),
    string: z.number().int().min(0).max(14),
    fret: z.number().int().min(0).max(36),
    typed: text(60).min(1, 'Nothing is written here yet.'),
    unit: z.enum(LENGTH_UNITS),
    version,
    gaugeId: id.optional(),
    ago: howLongAgo,
  }),
  'readings.take-back': z.object({
    jobId: id,
    round,
    quantity: z.enum(QUANTITIES),
    string: z.number().int().min(0).max(14),
    fret: z.number().int().min(0).max(36),
    version,
  }),
  'readings.copy-forward': z.object({ jobId: id, round }),
  'plan.target': z.object({
    jobId: id,
    quantity: z.enum(QUANTITIES),
    side: z.enum(['bass', 'treble', 'both']),
    string: z.number().int().min(0).max(14).optional(),
    layer: z.enum(['customer', 'job']).optional(),
    relative: relative.optional(),
    low: z.number(),
    aim: z.number(),
    high: z.number(),
    reason: text(200),
    version,
  }),
  'plan.decide': z.object({
    jobId: id,
    line: text(60),
    decision: z.enum(['accepted', 'changed', 'declined']),
    change: text(400),
    reason: text(400),
    version,
  }),
  'plan.add': z.object({ jobId: id, operation: operationId, detail: text(400) }),
  ...PLAN_COMMANDS,
  'work.answer': z.object({
    lineId: id,
    version,
    answer: z.enum(['yes', 'no']),
    by: text(120).min(1, 'Who said so?'),
    how: z.enum(['at the counter', 'by telephone', 'in writing']),
  }),
  'work.discount': z.object({
    jobId: id,
    version,
    kind: z.enum(['none', 'amount', 'share']),
    value: z.number().int().min(0).max(100_000_000),
    reason: text(200),
  }),
  ...WORK_COMMANDS,
  'hand-over.check': z.object({
    jobId: id,
    version,
    checks: z.record(z.string(), z.boolean()),
    exception: text(400),
  }),
  'hand-over.return': z.object({ itemId: id, version, returned: z.boolean(), absence: text(200) }),
  'hand-over.sign': z.object({
    jobId: id,
    version,
    signer: text(120).min(1, 'Whose signature is it?'),
    signature: strokes,
    /** the digest of the sheet the signer saw; a sheet that changed since is shown again first */
    shown: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional(),
  }),
} as const;

export type CommandName = keyof typeof COMMANDS;
export type CommandInput<N extends CommandName> = z.infer<(typeof COMMANDS)[N]>;

/** What each command answers when it is done. */
export interface CommandAnswer extends WorkAnswer {
  'desk.take-in': { number: number; jobId: number };
  'desk.receipt': { receiptId: number };
  'custody.mark': { markId: number };
  'custody.change-mark': { version: number };
  'custody.remove-photo': { photoId: number };
  'custody.bag': { bag: number };
  'rack.move': { version: number };
  'inspection.answer': { version: number };
  'inspection.finish': { version: number };
  'inspection.choose-list': { list: string };
  'shelf.import-customers': { added: number; known: number };
  'shelf.import-instruments': { added: number; known: number };
  'shelf.merge': { mergeId: number };
  'shelf.undo-merge': { mergeId: number };
  'shelf.change-instrument': { version: number };
  'house.save-kind': { id: string };
  'house.save-checklist': { version: number };
  'house.save-habits': { version: number };
  'house.save-gauge': { gaugeId: number };
  'house.check-gauge': { version: number };
  'house.save-targets': { version: number };
  'house.save-operations': { version: number };
  'strings.off': { lost: number };
  'strings.on': { round: string };
  'readings.conditions': { version: number };
  'readings.save': { version: number; value: number; notRepresentative: string | null };
  'readings.take-back': { version: number };
  'readings.copy-forward': { copied: number };
  'plan.target': { version: number };
  'plan.decide': { version: number };
  'plan.add': { lineId: number };
  'plan.keep-try': { tryId: number; version: number };
  'plan.drop-try': { tryId: number };
  'plan.worth': { version: number };
  'plan.choose': { version: number; lines: number };
  'plan.offer': { offerId: number; token: string };
  'plan.withdraw-offer': { offerId: number };
  'plan.record-choice': { offerId: number };
  'work.answer': { version: number };
  'work.discount': { version: number };
  'hand-over.check': { version: number };
  'hand-over.return': { version: number };
  'hand-over.sign': { digest: string };
}

import { strFromU8, unzipSync } from 'fflate';
import { z } from 'zod';
import { constructionSchema } from '../../contracts/construction.ts';
import { operationId } from '../../contracts/operation-id.ts';
import { toFileItems } from '../../contracts/formats/checklist-items.ts';
import { checklistItems } from '../../contracts/formats/checklists.ts';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { ANSWERS } from '../../core/inspection/checklist.ts';
import { OPERATIONS } from '../../core/catalogue/operations.ts';
import type { ProposalLine } from '../../core/plan/proposal.ts';
import type { Plans } from '../../core/plan/solve/plans.ts';
import { USUAL_METHODS } from '../../core/readings/methods.ts';
import { QUANTITIES } from '../../core/readings/quantities.ts';
import { round } from '../../contracts/commands/fields.ts';
import { STRING_AGE_NAMES } from '../../core/readings/set-on.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { stationsOf } from '../../core/readings/stations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { LAYERS, RELATIVE_WISHES, type RelativeWish } from '../../core/targets/target.ts';
import { SHIPPED_TARGETS } from '../../core/targets/shop-targets.ts';
import { USUAL_HABITS } from '../../core/readings/stations.ts';
import { asReading, asWish } from '../jobs/job-rows.ts';
import type { JudgedJob, JudgingShop } from '../../core/job/judged-job.ts';
import { MATTERS_NAMES } from '../../core/instrument/matters.ts';
import { SET_PAYER_NAMES } from '../../core/job/set-payer.ts';
import { judge } from '../../core/job/judge.ts';

const decimal = z.string().regex(/^-?\d{1,12}(\.\d{1,12})?$/);
const date = z.iso.datetime().transform((t) => new Date(t));
const STRINGS = ['at-pitch', 'missing', 'off-pitch', 'off'] as const;

/** What a plan needs of an exported job; everything else in the file is passed over. */
const file = z.object({
  format: z.literal('rubrica job', { error: 'This is no exported job.' }),
  version: z.literal(1),
  instrument: z.object({
    construction: constructionSchema,
    worthMinor: z.number().int().min(0).nullish(),
  }),
  job: z.object({
    number: z.number().int(),
    touch: z.enum(['light', 'medium', 'heavy']).nullable(),
    matters: z.enum(MATTERS_NAMES).nullish(),
    setPaidBy: z.enum(SET_PAYER_NAMES).nullish(),
    stringsState: z.enum(STRINGS),
    heard: z
      .array(
        z.object({
          string: z.number().int(),
          held: z.number().int(),
          heard: z.enum(['clear', 'buzzes']),
          amount: z.number().min(0).max(1).nullish(),
          force: z.number().nonnegative().nullable(),
        }),
      )
      .nullish(),
  }),
  checklist: z.object({ items: z.array(z.unknown()) }).nullable(),
  parts: z.object({
    rounds: z.array(
      z.object({
        kind: round,
        strings: z.enum(STRINGS),
        setAge: z.enum(STRING_AGE_NAMES).nullish(),
        startedAt: date,
      }),
    ),
    readings: z.array(
      z.object({
        of: z.number().int().min(1),
        quantity: z.enum(QUANTITIES),
        stringNo: z.number().int(),
        fret: z.number().int(),
        value: decimal,
        takenAt: date,
        notRepresentative: z.string().nullable(),
        uncertainty: decimal.nullish(),
        methodId: z.string().nullish(),
      }),
    ),
    targets: z.array(
      z.object({
        quantity: z.enum(QUANTITIES),
        side: z.enum(['bass', 'treble', 'both']),
        stringNo: z.number().int().default(0),
        layer: z.enum(LAYERS).extract(['customer', 'job']).default('job'),
        relative: z
          .enum(Object.keys(RELATIVE_WISHES) as [RelativeWish, ...RelativeWish[]])
          .nullish()
          .transform((r) => r ?? null),
        low: decimal,
        aim: decimal,
        high: decimal,
      }),
    ),
    answers: z
      .array(
        z.object({
          item: z.string(),
          answer: z.enum(ANSWERS),
          note: z.string(),
          finding: z.string().max(40).nullable().default(null),
          answeredAt: date.optional(),
        }),
      )
      .default([]),
    turns: z
      .array(
        z.object({
          eighths: decimal,
          reliefBefore: decimal.nullable(),
          reliefAfter: decimal.nullable(),
          turnedAt: date,
        }),
      )
      .default([]),
    planChoices: z.array(z.object({ plan: z.enum(['leave', 'sufficient', 'best']) })).default([]),
    decisions: z
      .array(z.object({ line: z.string(), decision: z.enum(['accepted', 'changed', 'declined']) }))
      .default([]),
    stringChanges: z
      .array(z.object({ kind: z.enum(['off', 'on']), fresh: z.boolean().nullish(), changedAt: date }))
      .default([]),
    lines: z
      .array(
        z.object({
          operation: operationId,
          title: z.string(),
          approval: z.enum(['asked', 'yes', 'no']),
          finishedAt: date.nullable(),
        }),
      )
      .default([]),
  }),
});

type JobFile = z.output<typeof file>;

const NOT_SAID = {
  typed: '',
  unit: '',
  method: '',
  gauge: '',
  position: 'playing',
  copiedFrom: null,
  soundId: null,
  buzz: null,
  takenBy: 0,
  version: 0,
} as const;

function toJudge(f: JobFile): JudgedJob & JudgingShop {
  const { construction } = f.instrument;
  const { parts } = f;
  const readings = parts.readings.map((r) =>
    asReading(
      {
        ...NOT_SAID,
        ...r,
        roundId: r.of,
        uncertainty: r.uncertainty ?? null,
        methodId: r.methodId ?? null,
      },
      parts.rounds[r.of - 1]?.kind ?? 'as-found',
    ),
  );
  const items = (f.checklist?.items ?? []) as ChecklistItem[];
  return {
    job: {
      touch: f.job.touch,
      matters: f.job.matters ?? null,
      setPaidBy: f.job.setPaidBy ?? null,
      stringsState: f.job.stringsState,
      heard: f.job.heard ?? null,
    },
    instrument: { construction, worthMinor: f.instrument.worthMinor ?? null },
    checklist: f.checklist === null ? null : { items },
    answers: parts.answers.map((a) => ({ ...a, answeredAt: a.answeredAt ?? new Date(0) })),
    rounds: [...parts.rounds].sort((a, b) => a.startedAt.getTime() - b.startedAt.getTime()),
    standard: standardReadings(construction, readings),
    catalogue: OPERATIONS,
    shopTargets: SHIPPED_TARGETS,
    wishes: parts.targets.map(asWish),
    stations: stationsOf(construction, { ...USUAL_HABITS, methods: USUAL_METHODS }),
    stringChanges: parts.stringChanges.map((c) => ({ ...c, fresh: c.fresh ?? false })),
    lines: parts.lines,
    decisions: parts.decisions,
    choice: parts.planChoices[0] ?? null,
    turns: parts.turns.map((t) => ({
      eighths: Number(t.eighths),
      before: t.reliefBefore === null ? null : Number(t.reliefBefore),
      after: t.reliefAfter === null ? null : Number(t.reliefAfter),
      turnedAt: t.turnedAt,
    })),
    info: { currency: '¤' },
  };
}

/** The plans of an exported job, or why there are none yet. */
export interface PlansOfFile {
  readonly job: number;
  readonly notUsed: { readonly stale: readonly string[]; readonly missing: readonly string[] };
  readonly because: string | null;
  /** the beginning of the plan it goes by */
  readonly proposed: readonly ProposalLine[];
  readonly questions: readonly string[];
  readonly plans: Plans['plans'];
  readonly findings: Plans['findings'];
  readonly looked: number;
  readonly bound: number;
  readonly assumed: readonly string[];
}

function parse(bytes: Uint8Array): unknown {
  const zipped = bytes[0] === 0x50 && bytes[1] === 0x4b;
  try {
    const text = zipped ? unzipSync(bytes, { filter: (f) => f.name === 'job.json' })['job.json'] : bytes;
    return text ? (JSON.parse(strFromU8(text)) as unknown) : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Finds the plans of an exported job with what ships: its `job.json`, or the zip around it. Neither database nor build is
 * needed. Says what is wrong with a file that cannot be read.
 */
export function planOfFile(bytes: Uint8Array): Result<PlansOfFile, string> {
  const json = parse(bytes);
  if (json === undefined) return fail('This is no JSON file.');
  const read = file.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    return fail(`${issue?.path.join('.') || 'the whole'}: ${issue?.message ?? 'it cannot be read'}`);
  }
  const items = read.data.checklist?.items;
  if (items && !checklistItems.safeParse(toFileItems(items as ChecklistItem[])).success)
    return fail('checklist.items: they cannot be read');
  const lost = read.data.parts.readings.find((r) => r.of > read.data.parts.rounds.length);
  if (lost) return fail('parts.readings: one belongs to a round that is not there');
  const judged = judge(toJudge(read.data));
  const { problem, plans, proposal } = judged.planned();
  const base = {
    job: read.data.job.number,
    notUsed: { stale: proposal.stale, missing: proposal.missing },
    proposed: proposal.lines,
    questions: proposal.questions,
  };
  if ('because' in problem || plans === null)
    return ok({
      ...base,
      because: 'because' in problem ? problem.because : null,
      plans: [],
      findings: [],
      looked: 0,
      bound: 0,
      assumed: [],
    });
  return ok({ ...base, because: null, ...plans, questions: base.questions });
}

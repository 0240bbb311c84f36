import { isStringing, operation as operationOf } from '../catalogue/operations.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Construction } from '../instrument/construction.ts';
import { addDays, clockOn, dayIn, type Day } from '../days/zone.ts';
import { NO_FACTS, type JobFacts } from '../job/leaves.ts';
import type { Wait } from '../job/waiting.ts';
import { stopped } from '../work/may-start.ts';
import { inWorkOrder, STRINGS_OFF, type NeedsOf } from '../catalogue/order-of-work.ts';
import { stringsBefore } from '../catalogue/strings-before.ts';
import { isNeckFirst, orderRules } from '../work/order-rules.ts';
import { ANSWER, answerAfter, USUAL_ANSWERS } from './answers.ts';
import { likelyWork, type GuessedBy, type JobBefore, type LikelyWork } from './likely-work.ts';
import type { Doubt, PlannedJob, Step } from './shop-work.ts';
import { lineStepId, restingOf, type Resting } from './resting.ts';
import { plainStep, wayOf } from './step-of.ts';

/** A line of a work order as far as planning goes. Minutes. */
export interface LineToPlan {
  readonly id: number;
  readonly operation: OperationId;
  readonly title: string;
  readonly sort: number;
  readonly minutes: number;
  readonly approval: 'asked' | 'yes' | 'no';
  readonly step: 'ready' | 'running' | 'paused' | 'finished';
  /** what was worked on it already */
  readonly spent: number;
  /** who began it last; null where nobody did */
  readonly begunBy: number | null;
  /** when it was finished, or the rod last turned, ms */
  readonly finishedAt: number | null;
  /** since when the customer is asked, ms */
  readonly askedAt: number | null;
  /** the line that stands still until this one is answered */
  readonly stops: number | null;
  /** the operation as it was agreed */
  readonly agreed: Operation | null;
}

/** Where somebody put a step: to whom, not before when (ms), and how long it takes in all (minutes). */
export interface Put {
  readonly worker: number | null;
  readonly at: number | null;
  readonly minutes: number | null;
}

/** A job as far as planning goes. Moments are ms. */
export interface JobToPlan extends JobBefore {
  readonly number: number;
  readonly title: string;
  readonly neededBy: Day | null;
  readonly hardDate: boolean;
  readonly promised: Day | null;
  readonly holderId: number | null;
  readonly waitingFor: Wait;
  readonly waitingUntil: number | null;
  readonly facts: JobFacts;
  readonly lines: readonly LineToPlan[];
  /** where the rod’s nut is; null where nobody said */
  readonly rodNut: Construction['rodNut'] | null;
  /** what its lines wait for from the stores: the line, or null for the whole job; when it will likely be here, ms, null where nobody knows */
  readonly parts: readonly { readonly lineId: number | null; readonly at: number | null }[];
}

/** A job of which nothing is known yet but that it is here. */
export const NEW_JOB: JobToPlan = {
  id: 0,
  number: 0,
  title: '',
  neededBy: null,
  hardDate: false,
  promised: null,
  holderId: null,
  waitingFor: 'hands',
  waitingUntil: null,
  facts: NO_FACTS,
  lines: [],
  rodNut: null,
  findings: [],
  wanted: [],
  said: '',
  kind: '',
  built: null,
  strings: 'at-pitch',
  parts: [],
};

/** What such operations took in this shop, where it was measured often enough. */
export type Measured = ReadonlyMap<string, Doubt>;

export interface PlanningDay extends GuessedBy {
  /** when the plan begins, ms */
  readonly from: number;
  readonly zone: string;
  /** when the shop closes on a day, minutes after midnight */
  readonly closes: (day: Day) => number;
  readonly puts: ReadonlyMap<string, Put>;
  /** who works here now */
  readonly workers: ReadonlySet<number>;
}

const MINUTE = 60_000;
const DAY = 1440;
/** What takes time after all is done. Minutes; numbers of the trade. */
const CHECK: Doubt = { low: 10, likely: 15, high: 30 };
/** Between these nobody answers: minutes after midnight, by the shop's clock. */
const WAKES = 8 * 60;
const SLEEPS = 21 * 60;
/** When a part arrives of which nobody said when. Minutes from now. */
const PART: Doubt = { low: DAY, likely: 5 * DAY, high: 12 * DAY };
/** A rest of which nobody said how long it is. */
const REST: Doubt = { low: 60, likely: DAY, high: 3 * DAY };
const LEAST = 5;

/** The moment a day ends for the shop, in minutes of the plan. */
export const endOfDay = (day: Day, { from, zone, closes }: PlanningDay): number =>
  Math.round((clockOn(day, closes(day), zone) - from) / MINUTE);

const scaled = (minutes: Doubt, by: number): Doubt => ({
  low: minutes.low * by,
  likely: minutes.likely * by,
  high: minutes.high * by,
});

/** Hands-on minutes of a line: what the shop measured, else what the order says; less what was worked on it already. */
function minutesOf(line: LineToPlan, op: Operation, measured: Measured): Doubt {
  const own = measured.get(line.operation);
  const whole = own ?? scaled(op.minutes, line.minutes / Math.max(1, op.minutes.likely));
  const left = (m: number): number => Math.max(LEAST, m - line.spent);
  return { low: left(whole.low), likely: left(whole.likely), high: left(whole.high) };
}

/** A moment of the plan in which somebody may answer: what falls into the night is the morning after it. Minutes. */
function awake(minutes: number, { from, zone }: PlanningDay): number {
  const at = from + minutes * MINUTE;
  const day = dayIn(at, zone);
  const morning = (d: Day): number => (clockOn(d, WAKES, zone) - from) / MINUTE;
  if (at < clockOn(day, WAKES, zone)) return morning(day);
  return at < clockOn(day, SLEEPS, zone) ? minutes : morning(addDays(day, 1));
}

/** An answer that is awaited: what is left of the time it usually takes since they were asked, and never in the night. */
function answerIn(askedAt: number | null, usual: Doubt, day: PlanningDay): Doubt {
  const left = answerAfter(usual, askedAt === null ? 0 : (day.from - askedAt) / MINUTE);
  return { low: awake(left.low, day), likely: awake(left.likely, day), high: awake(left.high, day) };
}

/** How long customers take here to answer about such an order, minutes. Who was not asked at the counter is asked afterwards. */
function answersTo(lines: readonly LineToPlan[], { catalogue, answers = USUAL_ANSWERS }: PlanningDay): Doubt {
  const isPlain = lines.every(
    (l) => l.stops === null && (l.agreed ?? operationOf(l.operation, catalogue)).plain,
  );
  return (isPlain ? answers.plain : null) ?? answers.beyond ?? ANSWER;
}

/** The lines that stand still, each with the one whose answer they wait for. */
function awaited(lines: readonly LineToPlan[], needs: NeedsOf): ReadonlyMap<number, LineToPlan> {
  const asked = lines.filter((l) => l.approval === 'asked' && l.stops !== null);
  const all = lines.map((l) => ({ ...l, finished: l.step === 'finished' }));
  const last = asked.reduce<LineToPlan | null>(
    (found, l) => (found && (found.askedAt ?? 0) >= (l.askedAt ?? 0) ? found : l),
    null,
  );
  return last ? new Map(stopped(all, needs).map((id) => [id, last])) : new Map();
}

/**
 * A part that comes at a moment (ms): a day sooner, some days later; where nobody knows when, or it should have been here the day
 * before, by what parts usually take.
 */
function partBy(at: number | null, { from }: PlanningDay): Doubt {
  if (at === null || at < from - DAY * MINUTE) return PART;
  const until = Math.max(0, (at - from) / MINUTE);
  return { low: Math.max(0, until - DAY), likely: until, high: until + 3 * DAY };
}

/** The last of the parts a line waits for; null where it waits for none. */
function partsOf(parts: JobToPlan['parts'], day: PlanningDay): Step['waits'] {
  const [last] = parts.map((p) => partBy(p.at, day)).sort((x, y) => y.likely - x.likely);
  return last ? { for: 'part', until: last } : null;
}

function lineStep(
  line: LineToPlan,
  waitsFor: LineToPlan | null,
  parts: JobToPlan['parts'],
  usual: Doubt,
  day: PlanningDay,
): Step {
  const op = line.agreed ?? operationOf(line.operation, day.catalogue);
  const begun = line.step === 'running' || line.step === 'paused' ? line.begunBy : null;
  const hands = begun !== null && day.workers.has(begun) ? begun : null;
  const asked = line.approval === 'asked' ? line : waitsFor;
  return {
    ...plainStep(lineStepId(line.id), line.title, minutesOf(line, op, day.measured)),
    ...wayOf(op),
    spent: line.spent,
    only: hands === null ? null : [hands],
    running: line.step === 'running' && hands !== null,
    waits: asked ? { for: 'word', until: answerIn(asked.askedAt, usual, day) } : partsOf(parts, day),
  };
}

/** By which operation strings go on, or come off, between two lines: it is on no order, and takes its time all the same. */
const STRINGING = { on: 'string-up', off: STRINGS_OFF } as const;

/** The steps of lines in their order, with what strings have to be put on or taken off between them. */
function withStringing(
  job: JobToPlan,
  lines: readonly { readonly line: LineToPlan; readonly step: Step }[],
  { catalogue, measured }: PlanningDay,
): Step[] {
  const ops = lines.map(({ line }) => line.agreed ?? operationOf(line.operation, catalogue));
  const before = stringsBefore(ops, job.strings === 'off');
  return lines.flatMap(({ line, step }, i) => {
    const way = before[i] ?? null;
    const op = way === null ? undefined : catalogue.find((o) => o.id === STRINGING[way]);
    // What was begun is strung as it has to be; who puts a set on takes the old one off.
    const asItIs = line.step !== 'ready' || isStringing(ops[i] as Operation);
    if (way === null || op === undefined || asItIs) return [step];
    const minutes = measured.get(op.id) ?? op.minutes;
    return [{ ...plainStep(`strings:${way}:${line.id}`, op.name, minutes), ...wayOf(op) }, step];
  });
}

const chained = (steps: readonly Step[]): Step[] =>
  steps.map((s, i) => ({ ...s, after: i === 0 ? [] : [(steps[i - 1] as Step).id] }));

/** A rest that ends at a moment, or between two, ms. */
function restUntil(
  at: number,
  { from }: PlanningDay,
  [soonest, latest]: Resting['between'] = [at, at],
): NonNullable<Step['waits']> {
  const left = (ms: number): number => Math.max(0, (ms - from) / MINUTE);
  return { for: 'rest', until: { low: left(soonest), likely: left(at), high: left(latest) } };
}

/** Since when the customer is asked about anything, ms; null where nobody kept it. */
const askedLast = (lines: readonly LineToPlan[]): number | null =>
  Math.max(0, ...lines.map((l) => (l.approval === 'asked' ? (l.askedAt ?? 0) : 0))) || null;

/** What the tag says that the whole job waits for. */
function hungFor(job: JobToPlan, day: PlanningDay): Step['waits'] {
  if (job.waitingFor === 'time')
    return job.waitingUntil === null ? { for: 'rest', until: REST } : restUntil(job.waitingUntil, day);
  if (job.waitingFor === 'word')
    return { for: 'word', until: answerIn(askedLast(job.lines), answersTo(job.lines, day), day) };
  return job.waitingFor === 'part' ? { for: 'part', until: partBy(job.waitingUntil, day) } : null;
}

/** Of two things that are waited for, the one that likely comes last. */
const laterOf = (a: Step['waits'], b: Step['waits']): Step['waits'] =>
  a === null || (b !== null && b.until.likely >= a.until.likely) ? b : a;

/**
 * What the whole job waits for: what its tag says, else parts; and the rest after its own finished steps, whatever the tag says.
 * It stands before its first step that does not run.
 */
function outside(job: JobToPlan, day: PlanningDay): Step['waits'] {
  const forAll = job.parts.filter((p) => p.lineId === null);
  const rests = restingOf(job.lines, day.catalogue, day.from).map((r) => restUntil(r.until, day, r.between));
  return rests.reduce(laterOf, hungFor(job, day) ?? partsOf(forAll, day));
}

/** Their answer, where all was read and only the price has still to be asked. */
const toAsk = (likely: LikelyWork | null, day: PlanningDay): Step['waits'] =>
  likely?.asks && !likely.steps.some((s) => s.asks)
    ? { for: 'word', until: answerIn(null, likely.asks, day) }
    : null;

/** The minutes that are left where somebody said what a step takes in all; as doubtful as before. */
function minutesBy(s: Step, inAll: number): Doubt {
  const by = inAll / Math.max(1, s.minutes.likely + s.spent);
  const left = (m: number): number => Math.max(LEAST, (m + s.spent) * by - s.spent);
  return { low: left(s.minutes.low), likely: left(s.minutes.likely), high: left(s.minutes.high) };
}

const withPut = (s: Step, put: Put | undefined, { from, workers }: PlanningDay): Step =>
  put
    ? {
        ...s,
        minutes: put.minutes === null ? s.minutes : minutesBy(s, put.minutes),
        only: put.worker === null || !workers.has(put.worker) ? s.only : [put.worker],
        pin: put.at === null ? null : Math.max(0, Math.round((put.at - from) / MINUTE)),
      }
    : s;

/**
 * A job as the planner takes it: its open lines in the order of the work, or what is likely where there are none; its bench
 * check at the end. A job on its way home has no steps.
 */
export function jobToPlan(job: JobToPlan, day: PlanningDay): PlannedJob {
  const open = job.lines.filter((l) => l.approval !== 'no' && l.step !== 'finished');
  const any = job.lines.some((l) => l.approval !== 'no');
  const agreed = job.lines.flatMap((l) => l.agreed ?? []);
  const found = job.findings.map((f) => ({ item: f.split(':')[0] ?? '', finding: f.split(':')[1] }));
  const neckFirst = isNeckFirst(job.rodNut, found);
  const { needs, usual } = orderRules(agreed, day.catalogue, neckFirst);
  const still = awaited(job.lines, needs);
  const usualAnswer = answersTo(
    job.lines.filter((l) => l.approval !== 'no'),
    day,
  );
  const likely = any ? null : likelyWork(job, day);
  const own = likely
    ? likely.steps
    : withStringing(
        job,
        inWorkOrder(open, needs, usual).map((line) => ({
          line,
          step: lineStep(
            line,
            still.get(line.id) ?? null,
            job.parts.filter((p) => p.lineId === line.id),
            usualAnswer,
            day,
          ),
        })),
        day,
      );
  const done = job.waitingFor === 'home' || job.facts.signed;
  const check = plainStep(`check:${job.id}`, 'Bench check and papers', CHECK);
  const all = done ? [] : [...own, ...(job.facts.benchChecked ? [] : [check])];
  const waits = laterOf(outside(job, day), toAsk(likely, day));
  const first = all.findIndex((s) => !s.running);
  const steps = chained(all).map((s, i) => {
    const put = withPut(s, day.puts.get(s.id), day);
    return i === first && waits ? { ...put, waits: laterOf(waits, put.waits) } : put;
  });
  const at = (d: Day | null): number | null => (d === null ? null : endOfDay(d, day));
  return {
    id: job.id,
    number: job.number,
    title: job.title,
    due: at(job.neededBy),
    hard: job.hardDate,
    promised: at(job.promised),
    holder: job.holderId,
    steps,
  };
}

/** How often an operation must have been timed before its own minutes count. */
const ENOUGH = 5;

/** What operations took by the shop's own clocks: the middle four fifths, where there are enough. */
export function measuredMinutes(
  times: readonly { readonly operation: string; readonly minutes: number }[],
): Measured {
  const by = new Map<string, number[]>();
  for (const t of times) by.set(t.operation, [...(by.get(t.operation) ?? []), t.minutes]);
  return new Map(
    [...by].flatMap(([operation, all]) => {
      if (all.length < ENOUGH) return [];
      const sorted = all.sort((x, y) => x - y);
      const part = (p: number): number => sorted[Math.round(p * (sorted.length - 1))] ?? 0;
      return [[operation, { low: part(0.1), likely: Math.max(LEAST, part(0.5)), high: part(0.9) }] as const];
    }),
  );
}

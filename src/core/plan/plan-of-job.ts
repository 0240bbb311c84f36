import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { readAgainOrder } from '../staleness/graph.ts';
import { verdict } from '../targets/target.ts';
import { formatCents } from '../units/parse-cents.ts';
import { readingWords } from '../readings/reading-words.ts';
import { sizeWords } from '../units/words-in.ts';
import { contradiction } from './contradiction.ts';
import { doubtAbout, sureTo } from './doubt.ts';
import type { Operation } from '../catalogue/operation.ts';
import { usable, type PlanInput } from './plan-input.ts';
import { beginning, lineKey, type Proposal, type ProposalLine } from './proposal.ts';
import { GOES_ALONG, plansFor, type Plan, type Plans } from './solve/plans.ts';
import { actionUnread, problemFrom, type JobOfPlan, type NotYet } from './solve/problem-from.ts';
import type { Problem } from './solve/problem.ts';
import type { Group } from './solve/way.ts';

/** What was decided of a line, as far as the plan asks. */
export interface DecidedLine {
  readonly line: string;
  readonly decision: 'accepted' | 'changed' | 'declined';
}

/** The plans of a job and what is proposed of them: one answer, wherever it is shown. */
export interface PlanOfJob {
  /** without what was declined; or why there is none yet */
  readonly problem: Problem | NotYet;
  readonly plans: Plans | null;
  readonly proposal: Proposal;
}

type Done = Plan['operations'][number];

const STRING_UP: Readonly<Record<Exclude<PlanInput['strings'], 'at-pitch'>, string>> = {
  missing: 'A string is missing: relief, action and nut cannot be judged. Put a set on, tune, read again.',
  'off-pitch': 'It is far from pitch: tune and stretch two or three times, then read again.',
  off: 'It has no strings on: relief, action and nut cannot be judged. Put a set on, tune, read again.',
};

function stringUp(strings: PlanInput['strings']): ProposalLine[] {
  if (strings === 'at-pitch') return [];
  const id = strings === 'off-pitch' ? 'tune-stretch' : 'string-up';
  return [
    {
      key: lineKey({ id, amounts: [], found: [strings] }),
      operation: id,
      title: strings === 'off-pitch' ? 'Tune it up first' : 'String it up first',
      says: STRING_UP[strings],
      why: ['Readings taken now are kept, marked not representative, and not used here.'],
      restsOn: [],
      warnings: [],
    },
  ];
}

/** The places an operation rests on: those of its question that were read. */
function restsOn(input: PlanInput, o: Done): string[] {
  const quantity = ({ rod: 'relief', nut: 'nut-gap', height: 'action', contact: 'intonation' } as const)[
    o.group as Exclude<Group, 'frets'>
  ];
  if (o.group === null || o.group === 'frets') return [];
  const strings = o.amounts.flatMap((a) => {
    const at = /string (\d+)$/.exec(a.what)?.[1];
    return at === undefined ? [] : [Number(at)];
  });
  return input.stations
    .filter(
      (s) =>
        s.quantity === quantity &&
        usable(input, s.key) !== null &&
        input.targets.has(s.key) &&
        (strings.length === 0 || strings.includes(s.string)),
    )
    .map((s) => s.key);
}

/** How much the amount of an operation follows the reading it rests on: for what its gauge leaves open. */
const FOLLOWS: Readonly<Record<string, number>> = { relief: 1, action: 2 };

function readLines(input: PlanInput, keys: readonly string[]): string[] {
  return keys.map((key) => {
    const value = usable(input, key) ?? 0;
    const target = input.targets.get(key);
    const station = input.stations.find((s) => s.key === key);
    const quantity = station?.quantity ?? 'relief';
    const cents = quantity === 'intonation';
    const say = (v: number) => (cents ? formatCents(v) : readingWords(quantity, v));
    const band = target
      ? `; band ${say(target.low)} to ${say(target.high)}, aim ${say(target.aim)} (${target.layer})`
      : '';
    const sure = cents ? '' : sureTo(input, key, FOLLOWS[quantity] ?? 1);
    return `${station?.label ?? key}: read ${say(value)}${cents ? ' cents' : ''}${band}.${sure}`;
  });
}

const round = (x: number): number => Math.round(100 * x) / 100;
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The sum behind an operation's amounts, in words. */
function sumOf(p: Problem, o: Done, from: PlanInput['settings']['from']): string[] {
  const { scale, compensation } = p.model.construction;
  const sums: Readonly<Record<Group, readonly string[]>> = {
    rod: [
      `One eighth usually takes out ${sizeWords(p.rodPrior.perEighth)} (${from?.rod ?? 'setting'})${p.turns.length > 0 ? `, and ${p.turns.length} logged ${p.turns.length === 1 ? 'turn says' : 'turns say'} more` : ''}; never more than a quarter turn between readings.`,
      `At its aim the rod moves the action at 12 by ${round(p.ratio)} × the change of relief${from && from.ratio !== 'setting' ? ` (${from.ratio})` : ''}.`,
    ],
    frets: [
      'The highest plane that takes every fret to level; what comes off raises action and gaps by as much.',
    ],
    nut: ['Slot change = gap change ÷ (1 − x₁ ÷ where the string lies).'],
    height: [
      `Saddle change = action change × ${((2 * (scale + compensation)) / scale).toFixed(3)}, after what rod, frets and nut already give. First cut ${percent(p.firstCutShare)} (setting).`,
    ],
    contact: [
      'm = (x_s − ρ(x_s − x_n))/(ρ − 1), ρ = 2^(−e/1200)·x_s/(x_s − x_n). Sharp means too short: back.',
    ],
  };
  return o.group === null ? [] : [...sums[o.group]];
}

function lineOf(input: PlanInput, p: Problem, plan: Plan, o: Done): ProposalLine {
  const keys = restsOn(input, o);
  const reason = plan.calls.flatMap((c) => c.reasons).find((r) => r.operation === o.id && r.in);
  return {
    key: lineKey(o),
    operation: o.id,
    title: o.name,
    says: o.firstCut ? `${o.says} To begin with: ${o.firstCut}.` : o.says,
    why:
      o.says === GOES_ALONG
        ? []
        : [...readLines(input, keys), ...sumOf(p, o, input.settings.from), ...(reason ? [reason.would] : [])],
    restsOn: keys,
    warnings: [...o.warns, ...keys.flatMap((key) => doubtAbout(input, key) ?? [])],
  };
}

/** The lines of a plan, in the order of the work: what it would put on the order. */
export const linesOfPlan = (input: PlanInput, p: Problem, plan: Plan): ProposalLine[] =>
  plan.operations.map((o) => lineOf(input, p, plan, o));

const NAMES = { relief: 'Relief', action: 'Action', 'nut-gap': 'Nut', intonation: 'Intonation' } as const;
const TOUCHES: Readonly<Record<Group, keyof typeof NAMES | null>> = {
  rod: 'relief',
  frets: null,
  nut: 'nut-gap',
  height: 'action',
  contact: 'intonation',
};

/** What was read whole, stands in its band, and is not touched by the plan. */
function leaveAlone(input: PlanInput, plan: Plan | undefined): string[] {
  const touched = new Set(plan?.operations.map((o) => (o.group === null ? null : TOUCHES[o.group])));
  return (Object.keys(NAMES) as (keyof typeof NAMES)[]).flatMap((quantity) => {
    const wanted = input.stations.filter((s) => s.quantity === quantity);
    const good = wanted.every((s) => {
      const [value, target] = [usable(input, s.key), input.targets.get(s.key)];
      return (
        value !== null &&
        target &&
        ['in', 'edge'].includes(verdict(value, target, QUANTITY_FACTS[quantity].tells))
      );
    });
    return wanted.length > 0 && good && !touched.has(quantity)
      ? [`${NAMES[quantity]}: in its band. Leave it.`]
      : [];
  });
}

/** The stale places in the order to read them again: nothing before what it hangs on. */
function staleInOrder(input: PlanInput): string[] {
  const stale = input.stations.filter((s) => !s.optional && input.stale.has(s.key));
  return readAgainOrder(stale.map((s) => s.quantity)).flatMap((q) =>
    stale.filter((s) => s.quantity === q).map((s) => s.key),
  );
}

interface Found {
  readonly problem: Problem;
  readonly plans: Plans;
  readonly plan: Plan | undefined;
  readonly lines: readonly ProposalLine[];
  readonly declined: readonly ProposalLine[];
}

/** Finds the plans without what was declined: whatever counted on a declined line is worked out anew. */
function withoutDeclined(
  input: PlanInput,
  whole: Problem,
  id: Plan['id'],
  decisions: readonly DecidedLine[],
): Found {
  const no = new Set(decisions.filter((d) => d.decision === 'declined').map((d) => d.line));
  const declined: ProposalLine[] = [];
  let problem = whole;
  for (;;) {
    const plans = plansFor(problem);
    const plan = plans.plans.find((x) => x.id === id);
    const lines = plan ? linesOfPlan(input, problem, plan) : [];
    const against = lines.filter((l) => no.has(l.key) && !problem.declined.has(l.operation));
    if (against.length === 0) return { problem, plans, plan, lines, declined };
    declined.push(...against);
    problem = { ...problem, declined: new Set([...problem.declined, ...against.map((l) => l.operation)]) };
  }
}

/** Why nothing can be planned before somebody has read: neither a height nor a finding is known. */
const NOTHING_READ = 'The action was not read at either side: read it, then plans can be found.';

const MOST_KEPT = 64;

/** What was found lately, by catalogue and question. */
const found = new WeakMap<readonly Operation[], Map<string, PlanOfJob>>();

/**
 * The plans of a job and what is proposed, as {@link findPlan} finds them. The same question again, as when several screens
 * show one job, is answered from what was found.
 * @param chosen the plan the job goes by, null where none was chosen
 */
export function planOfJob(
  input: PlanInput,
  job: JobOfPlan,
  decisions: readonly DecidedLine[] = [],
  chosen: Plan['id'] | null = null,
): PlanOfJob {
  const { catalogue, ...rest } = job;
  const said = decisions.map(({ line, decision }) => [line, decision]);
  const { readings, stale, targets, ...plain } = input;
  const key = JSON.stringify([plain, [...readings], [...stale], [...targets], rest, said, chosen]);
  const all = found.get(catalogue) ?? new Map<string, PlanOfJob>();
  found.set(catalogue, all);
  const known = all.get(key);
  if (known) return known;
  const plan = findPlan(input, job, decisions, chosen);
  all.set(key, plan);
  for (const oldest of all.keys()) {
    if (all.size <= MOST_KEPT) break;
    all.delete(oldest);
  }
  return plan;
}

/**
 * The plans of a job and what is proposed: the beginning of the plan it goes by, which is the one that is enough until another
 * is chosen. Stale and unrepresentative readings are named and never used; what was declined is not looked at again.
 * @param chosen the plan the job goes by, null where none was chosen
 */
export function findPlan(
  input: PlanInput,
  job: JobOfPlan,
  decisions: readonly DecidedLine[],
  chosen: Plan['id'] | null,
): PlanOfJob {
  const needed = input.stations.filter((s) => !s.optional);
  const base = {
    missing: needed.filter((s) => !input.readings.has(s.key)).map((s) => s.key),
    stale: staleInOrder(input),
    questions: job.questions ?? [],
  };
  const made = problemFrom(input, job);
  const known = input.findings.length > 0 || (input.unplanned ?? []).length > 0;
  const whole = !('because' in made) && actionUnread(input) && !known ? { because: NOTHING_READ } : made;
  if ('because' in whole) {
    const lines = stringUp(input.strings);
    const leave = input.strings === 'at-pitch' ? leaveAlone(input, undefined) : [];
    const proposal = { ...base, lines, then: [], declined: [], leave, waits: [], undone: [], forecast: [] };
    return { problem: whole, plans: null, proposal };
  }
  const f = withoutDeclined(input, whole, chosen ?? 'sufficient', decisions);
  const first = beginning(f.plan?.operations ?? [], f.problem.catalogue).length;
  const proposal: Proposal = {
    ...base,
    questions: [
      ...base.questions,
      ...f.problem.questions,
      ...contradiction(f.problem, f.plan?.moves.relief ?? 0),
    ],
    lines: f.lines.slice(0, first),
    then: f.lines.slice(first),
    declined: f.declined,
    leave: leaveAlone(input, f.plan),
    waits: f.plan?.waits ?? [],
    undone: f.plan?.undone ?? [],
    forecast: f.plan?.predicted.map(({ key, value }) => ({ key, value })) ?? [],
  };
  return { problem: f.problem, plans: f.plans, proposal };
}

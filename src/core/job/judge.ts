import { answeredBySheet, saidByNumbers, type SheetAnswer } from '../inspection/answered-by-sheet.ts';
import { dealtWithBy, findingOn } from '../inspection/findings.ts';
import { foundByReading, type ShapeLimits } from '../inspection/found-by-reading.ts';
import { titleOfItem } from '../inspection/lists/title-of-item.ts';
import { itemsFor } from '../inspection/checklist.ts';
import { rodAdvice } from '../neck/truss-rod.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { pitchesOut } from '../plan/pitches-out.ts';
import { answeredTurns } from '../plan/next-turn.ts';
import { agreedOperation, operation } from '../catalogue/operations.ts';
import { planOfJob, type DecidedLine, type PlanOfJob } from '../plan/plan-of-job.ts';
import { settingsFor, usable, type PlanInput } from '../plan/plan-input.ts';
import { shapeLimits, USUAL_PLAN_RULES } from '../plan/plan-rules.ts';
import {
  contradictions,
  rodStateOf,
  saddleEndOf,
  sortFindings,
  type FoundItem,
} from '../plan/sort-findings.ts';
import type { JobOfPlan } from '../plan/solve/problem-from.ts';
import { judgedReadings, sayCoursesApart } from '../readings/courses.ts';
import type { Conditions } from '../readings/conditions.ts';
import { readOnOld, type StringAge } from '../readings/set-on.ts';
import { latestReadings, type Reading } from '../readings/reading.ts';
import { allStations, plannedStations, RELIEF_FRET, stationKey, type Station } from '../readings/stations.ts';
import {
  MOVED_BY_STRINGS,
  staleReasons,
  type FinishedOperation,
  type StaleReason,
} from '../staleness/stale.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { playedWith, type Target } from '../targets/target.ts';
import { askedOfWorth, countsHistory } from '../instrument/matters.ts';
import { pricedCatalogue } from './set-paid.ts';
import { takenAsUsual } from './taken-as-usual.ts';
import type { JudgedJob, JudgingShop } from './judged-job.ts';

/** Finished work moves what hangs on it; a rod at the moment of its last turn, where its turns were logged. */
function finishedOperations(g: JudgedJob & JudgingShop): FinishedOperation[] {
  const last = g.turns.at(-1)?.turnedAt.getTime() ?? null;
  return g.lines.flatMap((l) => {
    if (l.finishedAt === null) return [];
    const at = l.finishedAt.getTime();
    const turned = l.operation === 'rod' && last !== null && last <= at ? last : at;
    const { stale, wait } = agreedOperation(l, g.catalogue);
    return [{ title: l.title, stale, at: turned, wait }];
  });
}

/** A turn moves what hangs on the rod as soon as it is made, whether or not its step is finished. */
const turnedRod = (g: JudgedJob & JudgingShop): FinishedOperation[] =>
  g.turns.map((t) => ({
    title: operation('rod', g.catalogue).name,
    stale: operation('rod', g.catalogue).stale,
    wait: operation('rod', g.catalogue).wait,
    at: t.turnedAt.getTime(),
  }));

/** Strings that went on move what hangs on them, as finished work does. */
const restrung = (g: JudgedJob & JudgingShop): FinishedOperation[] =>
  g.stringChanges
    .filter((c) => c.kind === 'on')
    .map((c) => ({
      title: c.fresh ? 'New strings put on' : 'The strings put back on',
      stale: MOVED_BY_STRINGS,
      at: c.changedAt.getTime(),
    }));

/** When work of this kind was last finished, by itself or as part of another, ms; null where it never was. */
function finishedAt(g: JudgedJob & Pick<JudgingShop, 'catalogue'>, id: OperationId): number | null {
  const ends = g.lines
    .filter((l) => l.operation === id || agreedOperation(l, g.catalogue).includes.includes(id))
    .flatMap((l) => l.finishedAt?.getTime() ?? []);
  return ends.length === 0 ? null : Math.max(...ends);
}

/** What readings find by themselves, on the items they belong to. */
const foundByRead = (
  { instrument: { construction } }: JudgedJob,
  items: ReturnType<typeof itemsFor>,
  readings: readonly Reading[],
  targetOf: (s: Station) => Target | null,
  limits: ShapeLimits,
): FoundItem[] =>
  foundByReading(construction, readings, allStations(construction), targetOf, limits).map((f) => ({
    ...f,
    title: items.find((i) => i.key === f.item)?.title ?? titleOfItem(f.item),
  }));

/** What was found, each item once: what somebody named stands, with the numbers that were read. */
const together = (named: readonly FoundItem[], read: readonly FoundItem[]): FoundItem[] => [
  ...named.map((f) => {
    const also = read.find((r) => r.item === f.item);
    return also === undefined ? f : { ...f, note: [f.note, also.note].filter((n) => n !== '').join('; ') };
  }),
  ...read.filter((r) => !named.some((f) => f.item === r.item)),
];

/** What the inspection found and nobody has dealt with since. */
function foundOn(
  g: JudgedJob & Pick<JudgingShop, 'catalogue'>,
  items: ReturnType<typeof itemsFor>,
  bySheet: ReadonlyMap<string, SheetAnswer>,
): FoundItem[] {
  return items.flatMap((item) => {
    const answer = g.answers.find((a) => a.item === item.key);
    if (answer?.answer !== 'work') return [];
    const named = findingOn(item.key, answer.finding ?? undefined);
    if (saidByNumbers(named, item.key, bySheet)) return [];
    const leadsTo = dealtWithBy(item.key, named, item.leadsTo, g.catalogue, g.instrument.construction);
    const done = leadsTo ? finishedAt(g, leadsTo) : null;
    if (done !== null && done > answer.answeredAt.getTime()) return [];
    const { title } = item;
    return [{ item: item.key, title, note: answer.note, finding: answer.finding, leadsTo: item.leadsTo }];
  });
}

/** Strings taken off at the bench, after readings that stand, do not take the plan away. */
const stringsForPlan = (strings: Conditions['strings'], read: boolean): Conditions['strings'] =>
  strings === 'off' && read ? 'at-pitch' : strings;

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

/** What is aimed at a place, the setup's or a further one. */
function targetOfPlace(g: JudgedJob & JudgingShop): (s: Station) => Target | null {
  const found = new Map(
    g.standard
      .filter((r) => r.round === 'as-found' && r.notRepresentative === null)
      .map((r) => [r.key, r.value]),
  );
  const resolving = {
    shop: g.shopTargets,
    now: (s: { readonly key: string }) => found.get(s.key),
    kind: g.instrument.kind,
  };
  return (s) => resolveTarget(g.instrument.construction, playedWith(g.job.touch), g.wishes, s, resolving);
}

/** What is aimed at each place of a job. */
function targetsOf(g: JudgedJob & JudgingShop): ReadonlyMap<string, Target> {
  const targetOf = targetOfPlace(g);
  return new Map(
    plannedStations(g.instrument.construction, g.stations).flatMap((s): [string, Target][] => {
      const target = targetOf(s);
      return target ? [[s.key, target]] : [];
    }),
  );
}

/** Why each reading is stale, by reading and by place. */
function staleOf(
  g: JudgedJob,
  latest: ReadonlyMap<string, Reading>,
  operations: readonly FinishedOperation[],
) {
  const reasons = staleReasons(g.standard, operations);
  const staleByReading = new Map<Reading, StaleReason>();
  g.standard.forEach((r, i) => {
    const why = reasons[i];
    if (why) staleByReading.set(r, why);
  });
  const stale = new Map<string, StaleReason>();
  for (const [key, reading] of latest) {
    const why = staleByReading.get(reading);
    if (why) stale.set(key, why);
  }
  return { stale, staleByReading };
}

/** The rounds in which pitches were read that are out, and that no new set is planned for. */
const pitchRounds = (
  g: JudgedJob,
  found: readonly FoundItem[],
  { targets }: Pick<PlanInput, 'targets'>,
): { readonly setAge: StringAge | null }[] =>
  pitchesOut(found, g.standard, targets).map((r) => ({
    setAge: g.rounds.find((x) => x.kind === r.round)?.setAge ?? null,
  }));

/** What the plan asks of a job beside its readings: the hand, the worth, the shop, the rod. */
function jobOfPlan(g: JudgedJob & JudgingShop, found: readonly FoundItem[], input: PlanInput): JobOfPlan {
  const turns = answeredTurns(g.turns);
  const [relief, band] = [usable(input, RELIEF), input.targets.get(RELIEF)];
  const turn = relief === null || !band ? null : rodAdvice(relief, band, turns, input.settings.rodPrior);
  const { questions } = sortFindings(found, g.catalogue, {
    bridge: input.construction.bridge,
    read: (key) => usable(input, key),
    limits: input.settings.limits,
  });
  const apart = sayCoursesApart(g.instrument.construction, latestReadings(g.standard), input.stale);
  return {
    touch: playedWith(g.job.touch),
    heard: g.job.heard ?? [],
    worth: g.instrument.worthMinor,
    history: countsHistory(g.job.matters),
    catalogue: pricedCatalogue(
      g.catalogue,
      g.job.setPaidBy ?? null,
      g.lines.map((l) => ({ approval: l.approval, op: agreedOperation(l, g.catalogue) })),
    ),
    currency: g.info.currency,
    rod: rodStateOf(found, turn),
    saddleEnd: saddleEndOf(found),
    turns,
    questions: [
      ...questions,
      ...contradictions(found, relief, band),
      ...apart,
      ...askedOfWorth(g.job.matters, g.instrument.worthMinor),
      ...readOnOld(pitchRounds(g, found, input)),
      ...takenAsUsual(g.job.touch, g.instrument.construction),
    ],
  };
}

/** What was decided, the bench's and the customer's: a line they said no to is declined, whoever accepted it. */
const decidedOf = (g: JudgedJob): DecidedLine[] =>
  g.decisions.map(({ id, line, decision }) => {
    const refused = id !== undefined && g.lines.some((l) => l.decisionId === id && l.approval === 'no');
    return { line, decision: refused ? 'declined' : decision };
  });

/**
 * Judges a job by the shop's rules: what is aimed at each place, what of the readings is stale and why, which items are
 * asked, what is planned and proposed. Nothing is read or kept: the same job and shop give the same judgement.
 * @param g the job with the shop's catalogue and targets
 * @returns targets and stale reasons by place, mm; items; the plans and the proposal, found when they are asked for; counts
 */
export function judge(g: JudgedJob & JudgingShop) {
  const { construction } = g.instrument;
  const planning = g.planning ?? USUAL_PLAN_RULES;
  const targets = targetsOf(g);
  const operations = [...finishedOperations(g), ...turnedRod(g), ...restrung(g)];
  const latest = latestReadings(g.standard);
  const { stale, staleByReading } = staleOf(g, latest, operations);
  const items = g.checklist ? itemsFor({ ...g.checklist, items: g.checklist.items }, construction) : [];
  // The strings of a course are judged as one.
  const asJudged = judgedReadings(construction, latest, new Set(stale.keys()));
  const fresh = [...asJudged].flatMap(([key, r]) => (stale.has(key) ? [] : [r]));
  const targetOf = targetOfPlace(g);
  const usableNow = new Map(fresh.map((r) => [r.key, r]));
  const bySheet = answeredBySheet(items, allStations(construction), usableNow, targetOf);
  const found = together(
    foundOn(g, items, bySheet),
    foundByRead(g, items, fresh, targetOf, shapeLimits(planning)),
  );
  const { deals, undone } = sortFindings(found, g.catalogue, {
    bridge: construction.bridge,
    read: (key) => usableNow.get(key)?.value ?? null,
    limits: planning.limits,
  });
  const newestRound = g.rounds.at(-1);
  const planInput: PlanInput = {
    construction,
    stations: plannedStations(construction, g.stations),
    readings: asJudged,
    stale: new Set(stale.keys()),
    targets,
    strings: stringsForPlan(newestRound?.strings ?? g.job.stringsState, latest.size > 0),
    findings: deals,
    unplanned: undone,
    settings: settingsFor(planning, construction, g.numbers),
  };
  const plannedFor = jobOfPlan(g, found, planInput);
  let plan: PlanOfJob | null = null;
  const decided = decidedOf(g);
  const planned = () => (plan ??= planOfJob(planInput, plannedFor, decided, g.choice?.plan ?? null));
  const asked = g.lines.filter((l) => l.approval === 'asked').length;
  return {
    planInput,
    plannedFor,
    decided,
    targets,
    stale,
    staleByReading,
    items,
    /** items that the readings answer */
    bySheet,
    asked,
    latest,
    operations,
    /** The plans, worked out when somebody asks for them. */
    planned,
    get proposal() {
      return planned().proposal;
    },
  };
}

/** What is made of a job. */
export type Judged = ReturnType<typeof judge>;

import { ratioOf } from '../neck/rod-to-action.ts';
import { itemsFor } from '../inspection/checklist.ts';
import { operation } from '../plan/operations.ts';
import { USUAL_SETTINGS, type Finding, type PlanInput } from '../plan/plan-input.ts';
import { propose } from '../plan/propose.ts';
import type { Conditions } from '../readings/conditions.ts';
import { latestReadings, type Reading } from '../readings/reading.ts';
import {
  MOVED_BY_STRINGS,
  staleReasons,
  type FinishedOperation,
  type StaleReason,
} from '../staleness/stale.ts';
import { resolveTarget } from '../targets/resolve.ts';
import type { Target } from '../targets/target.ts';
import type { JudgedJob, JudgingShop } from './judged-job.ts';

const finishedOperations = (g: JudgedJob & JudgingShop): FinishedOperation[] =>
  g.lines
    .filter((l) => l.finishedAt !== null)
    .map((l) => ({
      title: l.title,
      stale: operation(l.operation, g.catalogue).stale,
      at: l.finishedAt?.getTime() ?? 0,
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

const findings = (g: JudgedJob & JudgingShop, items: ReturnType<typeof itemsFor>): Finding[] =>
  items.flatMap((item) => {
    const answer = g.answers.find((a) => a.item === item.key);
    if (answer?.answer !== 'work' || item.leadsTo === undefined) return [];
    const name = operation(item.leadsTo, g.catalogue).name;
    return [{ item: item.key, title: item.title, note: answer.note, leadsTo: item.leadsTo, name }];
  });

/** Strings taken off at the bench, after readings that stand, do not take the plan away. */
const stringsForPlan = (strings: Conditions['strings'], read: boolean): Conditions['strings'] =>
  strings === 'off' && read ? 'at-pitch' : strings;

/**
 * Judges a job by the shop's rules: what is aimed at each place, what of the readings is stale and why, which items are
 * asked, what is proposed. Nothing is read or kept: the same job and shop give the same judgement.
 * @param g the job with the shop's catalogue and targets
 * @returns targets and stale reasons by place, mm; items; the proposal; counts
 */
export function judge(g: JudgedJob & JudgingShop) {
  const { construction } = g.instrument;
  const targets = new Map<string, Target>();
  const found = new Map(
    g.standard
      .filter((r) => r.round === 'as-found' && r.notRepresentative === null)
      .map((r) => [r.key, r.value]),
  );
  const resolving = { shop: g.shopTargets, now: (s: { readonly key: string }) => found.get(s.key) };
  for (const s of g.stations) {
    const target = resolveTarget(construction, g.job.touch, g.wishes, s, resolving);
    if (target) targets.set(s.key, target);
  }
  const operations = [...finishedOperations(g), ...restrung(g)];
  const reasons = staleReasons(g.standard, operations);
  const staleByReading = new Map<Reading, StaleReason>();
  g.standard.forEach((r, i) => {
    const why = reasons[i];
    if (why) staleByReading.set(r, why);
  });
  const latest = latestReadings(g.standard);
  const stale = new Map<string, StaleReason>();
  for (const [key, reading] of latest) {
    const why = staleByReading.get(reading);
    if (why) stale.set(key, why);
  }
  const items = g.checklist ? itemsFor({ ...g.checklist, items: g.checklist.items }, construction) : [];
  const newestRound = g.rounds.at(-1);
  const planInput: PlanInput = {
    construction,
    stations: g.stations,
    readings: latest,
    stale: new Set(stale.keys()),
    targets,
    strings: stringsForPlan(newestRound?.strings ?? g.job.stringsState, latest.size > 0),
    findings: findings(g, items),
    settings: { ...USUAL_SETTINGS, rodActionRatio: ratioOf(construction.kind) },
  };
  const proposal = propose(planInput);
  const asked = g.lines.filter((l) => l.approval === 'asked').length;
  return { planInput, targets, stale, staleByReading, items, proposal, asked, latest, operations };
}

/** What is made of a job. */
export type Judged = ReturnType<typeof judge>;

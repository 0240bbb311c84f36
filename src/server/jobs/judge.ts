import { itemsFor } from '../../core/inspection/checklist.ts';
import { operation } from '../../core/plan/operations.ts';
import { USUAL_SETTINGS, type Finding, type PlanInput } from '../../core/plan/plan-input.ts';
import { propose } from '../../core/plan/propose.ts';
import type { Conditions } from '../../core/readings/conditions.ts';
import { latestReadings } from '../../core/readings/reading.ts';
import {
  MOVED_BY_STRINGS,
  staleReasons,
  type FinishedOperation,
  type StaleReason,
} from '../../core/staleness/stale.ts';
import { resolveTarget } from '../../core/targets/resolve.ts';
import type { Target } from '../../core/targets/target.ts';
import type { GatheredJob } from './gather-job.ts';

/** What judging needs of a job, wherever it comes from. */
export interface ToJudge {
  readonly job: Pick<GatheredJob['job'], 'touch' | 'stringsState'>;
  readonly instrument: Pick<GatheredJob['instrument'], 'construction'>;
  readonly checklist: Pick<NonNullable<GatheredJob['checklist']>, 'items'> | null;
  readonly answers: ReadonlyArray<Pick<GatheredJob['answers'][number], 'item' | 'answer' | 'note'>>;
  readonly rounds: ReadonlyArray<Pick<GatheredJob['rounds'][number], 'strings'>>;
  readonly catalogue: GatheredJob['catalogue'];
  readonly standard: GatheredJob['standard'];
  readonly shopTargets: GatheredJob['shopTargets'];
  readonly wishes: GatheredJob['wishes'];
  readonly stations: GatheredJob['stations'];
  readonly stringChanges: ReadonlyArray<
    Pick<GatheredJob['stringChanges'][number], 'kind' | 'fresh' | 'changedAt'>
  >;
  readonly lines: ReadonlyArray<
    Pick<GatheredJob['lines'][number], 'finishedAt' | 'title' | 'operation' | 'approval'>
  >;
}

const finishedOperations = (g: ToJudge): FinishedOperation[] =>
  g.lines
    .filter((l) => l.finishedAt !== null)
    .map((l) => ({
      title: l.title,
      stale: operation(l.operation, g.catalogue).stale,
      at: l.finishedAt?.getTime() ?? 0,
    }));

/** Strings that went on move what hangs on them, as finished work does. */
const restrung = (g: ToJudge): FinishedOperation[] =>
  g.stringChanges
    .filter((c) => c.kind === 'on')
    .map((c) => ({
      title: c.fresh ? 'New strings put on' : 'The strings put back on',
      stale: MOVED_BY_STRINGS,
      at: c.changedAt.getTime(),
    }));

const findings = (g: ToJudge, items: ReturnType<typeof itemsFor>): Finding[] =>
  items.flatMap((item) => {
    const answer = g.answers.find((a) => a.item === item.key);
    if (answer?.answer !== 'work' || item.leadsTo === undefined) return [];
    const name = operation(item.leadsTo, g.catalogue).name;
    return [{ item: item.key, title: item.title, note: answer.note, leadsTo: item.leadsTo, name }];
  });

/** Strings taken off at the bench, after readings that stand, do not take the plan away. */
const stringsForPlan = (strings: Conditions['strings'], read: boolean): Conditions['strings'] =>
  strings === 'off' && read ? 'at-pitch' : strings;

/** What the core makes of a gathered job: targets, stale readings, items asked, proposal. */
export function judge(g: ToJudge) {
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
  const staleByReading = new Map<GatheredJob['readings'][number], StaleReason>();
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
    settings: USUAL_SETTINGS,
  };
  const proposal = propose(planInput);
  const asked = g.lines.filter((l) => l.approval === 'asked').length;
  return { planInput, targets, stale, staleByReading, items, proposal, asked, latest, operations };
}

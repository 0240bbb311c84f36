import { operation } from '../../catalogue/operations.ts';
import type { Job } from '../job.ts';
import type { JobParts } from '../job-parts.ts';
import { besides } from '../../work/beside-order.ts';
import { standingLines } from './standing-lines.ts';
import { countsHistory } from '../../instrument/matters.ts';
import type { JudgingShop } from '../judged-job.ts';
import type { Judged } from '../judge.ts';
import { NO_HUNT, type Hunt } from '../../hunt/hunt-record.ts';
import type { NameOf } from '../shop.ts';

/** What the proposal says and what was decided of it. */
export const proposalView = (g: Job & JudgingShop, judged: Judged, name: NameOf) => ({
  proposal: judged.proposal,
  decisions: g.decisions.map((d) => ({
    line: d.line,
    decision: d.decision,
    change: d.changeText,
    reason: d.reason,
    instead: d.instead && operation(d.instead, g.catalogue).name,
    by: name(d.decidedBy),
    proposed: d.proposed,
    /** the customer said no to what it put on the order */
    refused: g.lines.some((l) => l.decisionId === d.id && l.approval === 'no'),
    version: d.version,
  })),
});

/** The parts `planView` shows. */
export type PlanParts = 'tries' | 'results' | 'offers';

const huntView = ({ trail, ended, ...hunt }: Hunt, name: NameOf) => ({
  ...hunt,
  trail: trail.map((e) => ({ ...e, by: name(e.by) })),
  ended: ended && { ...ended, by: name(ended.by) },
});

/** Noises that were hunted on this instrument at other visits, the newest first. */
export const huntsBeforeView = ({ visits }: Pick<JobParts, 'visits'>, name: NameOf) =>
  visits.flatMap(({ number, takenInAt, hunt }) =>
    hunt && hunt.trail.length > 0
      ? [{ job: number, takenInAt: takenInAt.toISOString(), ...huntView(hunt, name) }]
      : [],
  );

const offersView = (g: Pick<JobParts, 'offers'>, name: NameOf) =>
  g.offers.map((o) => ({
    id: o.id,
    options: o.content.options.map((x) => ({ id: x.id, name: x.name, operations: x.operations ?? null })),
    by: name(o.madeBy),
    at: o.madeAt.toISOString(),
    expiresAt: o.expiresAt.toISOString(),
    withdrawn: o.withdrawnAt !== null,
    choice: o.choice,
    choiceBy: o.choiceBy,
    choiceHow: o.choiceHow,
    choiceNote: o.choiceNote,
    chosenAt: o.chosenAt?.toISOString() ?? null,
  }));

/** What the Plan leaf needs besides readings and proposal: the catalogue, what was tried, chosen, offered and achieved. */
export const planView = (
  g: Job & JudgingShop & Pick<JobParts, PlanParts>,
  { planInput, plannedFor, decided }: Judged,
  name: NameOf,
) => ({
  /** as it is priced on this job */
  catalogue: plannedFor.catalogue,
  /** what there is to say before an operation comes on the order by hand, where there is something */
  besides: besides(plannedFor.catalogue, standingLines(g)),
  findings: planInput.findings,
  unplanned: planInput.unplanned ?? [],
  decided,
  rod: plannedFor.rod ?? 'turns',
  turns: plannedFor.turns ?? [],
  questions: plannedFor.questions ?? [],
  strings: planInput.strings,
  settings: planInput.settings,
  readings: [...planInput.readings.values()].map(
    ({ key, quantity, string, fret, value, round, takenAt, notRepresentative, uncertainty }) => ({
      key,
      quantity,
      string,
      fret,
      value,
      round,
      takenAt,
      notRepresentative,
      uncertainty: uncertainty ?? null,
    }),
  ),
  /** places the plan looks at beside the setup's, with their bands */
  further: planInput.stations
    .filter((s) => !g.stations.some((x) => x.key === s.key))
    .map((s) => ({ ...s, target: planInput.targets.get(s.key) ?? null })),
  stale: [...planInput.stale],
  worth: g.instrument.worthMinor,
  history: countsHistory(g.job.matters),
  heard: [...(g.job.heard ?? [])],
  hunt: huntView(g.job.hunt ?? NO_HUNT, name),
  /** what stands on the work order and was not refused */
  onOrder: g.lines.filter((l) => l.approval !== 'no').map((l) => l.operation),
  tries: g.tries.map((w) => ({
    id: w.id,
    name: w.name,
    moves: w.moves,
    by: name(w.madeBy),
    version: w.version,
  })),
  choice: g.choice && {
    plan: g.choice.plan,
    name: g.choice.content.name,
    moves: g.choice.content.moves,
    predicted: g.choice.content.predicted,
    reason: g.choice.reason,
    by: name(g.choice.chosenBy),
    at: g.choice.chosenAt.toISOString(),
    version: g.choice.version,
  },
  results: g.results.map((r) => ({ key: r.place, predicted: r.predicted, achieved: r.achieved })),
  offers: offersView(g, name),
});

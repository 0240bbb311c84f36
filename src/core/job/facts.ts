import { allTicked, benchChecks } from './bench-check.ts';
import type { Job } from './job.ts';
import type { JudgingShop } from './judged-job.ts';
import type { Judged } from './judge.ts';
import type { JobFacts } from './leaves.ts';

/** What is counted of a job. */
export type CountedJob = Pick<JudgingShop, 'catalogue'> &
  Pick<
    Job,
    | 'answers'
    | 'choice'
    | 'decisions'
    | 'handOver'
    | 'instrument'
    | 'job'
    | 'inspection'
    | 'lines'
    | 'rounds'
    | 'standard'
    | 'stations'
  >;

/**
 * Counts what a job's leaves are judged by.
 * @param g the job
 * @param judged what was made of it
 * @returns counts of items, places, lines and steps
 */
export function factsOf(g: CountedJob, { proposal, asked, items, bySheet }: Judged): JobFacts {
  const decided = new Set(g.decisions.map((d) => d.line));
  const lines = g.lines.filter((l) => l.approval !== 'no');
  const required = g.stations.filter((s) => !s.optional);
  const readIn = (kind: string): number => {
    const keys = new Set(g.standard.filter((r) => r.round === kind).map((r) => r.key));
    return required.filter((s) => keys.has(s.key)).length;
  };
  return {
    answered: items.filter(
      (i) => bySheet.has(i.key) || g.answers.some((a) => a.item === i.key && a.answer !== null),
    ).length,
    items: items.length,
    inspectionFinished: g.inspection?.finishedAt != null,
    read: readIn('as-found'),
    stations: required.length,
    stale: proposal.stale.length,
    linesOpen: proposal.lines.filter((l) => !decided.has(l.key)).length,
    linesDecided: decided.size + (g.choice ? 1 : 0),
    asked,
    stepsOpen: lines.filter((l) => l.approval === 'yes' && l.step !== 'finished').length,
    stepsDone: lines.filter((l) => l.step === 'finished').length,
    asLeftRead: readIn('as-left'),
    benchChecked: g.handOver?.checkedAt != null && allTicked(benchChecks(g, false), g.handOver.checks),
    signed: g.handOver?.signedAt != null,
  };
}

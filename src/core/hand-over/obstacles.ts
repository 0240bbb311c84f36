import { sayLeft } from '../days/say-left.ts';
import { LONG_REST } from '../staleness/stale.ts';
import { restsOf } from '../work/rests-of.ts';
import { allTicked, benchChecks } from '../job/bench-check.ts';
import { factsOf } from '../job/facts.ts';
import type { JobThing, JobWith } from '../job/job-parts.ts';
import type { Judged } from '../job/judge.ts';
import type { JudgingShop } from '../job/judged-job.ts';
import { benchTrouble, NO_TROUBLE, sayTrouble, type BenchTrouble } from './bench-trouble.ts';
import { endOf, type UnsignedEnd } from './ends.ts';
import { needsSecond, type HandOverRules } from './rules.ts';

type Ending = JobWith<'things'> & JudgingShop;

/** How a job ends, out of what was said of it and what was done. */
export const endOfJob = (g: Pick<Ending, 'handOver' | 'lines'>) =>
  endOf(g.handOver?.ending ?? 'done', g.lines);

/** What of the readings as left is not as it should be: only where work that moves readings was done. */
export const troubleAsLeft = (g: Ending, judged: Judged): BenchTrouble =>
  endOfJob(g) === 'done' && judged.operations.length > 0 ? benchTrouble(g, judged) : NO_TROUBLE;

const notBack = (things: readonly JobThing[]): string[] =>
  things
    .filter((i) => i.returnedAt === null && i.absence === '')
    .map((i) => `${i.name}${i.bag === null ? '' : ` (bag ${i.bag})`} is not given back`);

const running = (g: Ending): string[] =>
  g.lines.filter((l) => l.step === 'running').map((l) => `the clock of “${l.title}” is running`);

/** Whether strings came off at the bench: an instrument that came without any may go as it came. */
const takenOff = (g: Ending): boolean => g.stringChanges.some((c) => c.kind === 'off');

const MINUTE = 60_000;

/** Long rests that run: glue that sets, a neck under tension. Nothing goes home in one, but with the reason. */
const resting = (g: Ending, now: number): string[] =>
  restsOf(g.lines, g.catalogue, g.turns.at(-1)?.turnedAt.getTime() ?? null)
    .filter((w) => w.until > now && w.until - w.since >= LONG_REST * MINUTE)
    .map((w) => `it still rests after “${w.title}”, ${sayLeft(now, w.until)} more`);

/**
 * What stands between a job and the customer’s signature, in words; empty when nothing does. Where it goes home as it is, what
 * was agreed and not finished is no obstacle: it is not done any more, and the sheet says so.
 * @param now ms since the epoch
 */
export function obstacles(g: Ending, judged: Judged, rules: HandOverRules, now: number): string[] {
  const facts = factsOf(g, judged);
  const end = endOfJob(g);
  const sheet = g.handOver;
  const explained = (sheet?.exceptionText ?? '') !== '';
  const checked =
    sheet !== null &&
    sheet.checkedAt !== null &&
    allTicked(benchChecks(g, g.things.length > 0), sheet.checks);
  const second = end === 'done' && needsSecond(rules, g.instrument.worthMinor);
  return [
    ...(end === 'done' && facts.asked > 0 ? [`${facts.asked} lines wait for the customer’s answer`] : []),
    ...(end === 'done' && facts.stepsOpen > 0 ? [`${facts.stepsOpen} agreed steps are not finished`] : []),
    ...(end === 'done' ? [] : running(g)),
    ...(explained ? [] : resting(g, now)),
    ...(explained ? [] : sayTrouble(troubleAsLeft(g, judged))),
    ...(g.job.stringsState === 'off' && !explained && (end === 'done' || takenOff(g))
      ? ['the strings are off and that is not explained']
      : []),
    ...(checked ? [] : ['the bench check is not complete']),
    ...(second && sheet?.secondAt == null ? ['a second person has not signed the bench check'] : []),
    ...notBack(g.things),
  ];
}

/** What a job that ends without a signature is judged by beside itself. */
export interface UnsignedEnding {
  /** how often the customer was told that it is ready */
  readonly reminders: number;
}

/** What stands between a job and an end without a signature, in words. */
export function endingObstacles(
  g: Ending,
  end: UnsignedEnd,
  rules: HandOverRules,
  { reminders }: UnsignedEnding,
): string[] {
  const leaves = end === 'called-off' || end === 'elsewhere';
  const ready = g.checklist?.ends[0];
  return [
    ...running(g),
    ...(leaves ? notBack(g.things) : []),
    ...(end === 'floor' && ready === undefined
      ? ['only new stock goes to the floor: its checklist ends in a word for it']
      : []),
    ...(end === 'floor' && ready !== undefined && g.inspection?.ending !== ready
      ? [`its check has not ended in “${ready}”`]
      : []),
    ...(end === 'floor' && g.lines.some((l) => l.approval === 'yes' && l.step !== 'finished')
      ? ['agreed steps are not finished']
      : []),
    ...(end === 'never-collected' && reminders < rules.reminders
      ? [
          `they were told ${reminders} of ${rules.reminders} times that it is ready (House → Hand-over says how often)`,
        ]
      : []),
  ];
}

import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Operation } from '../catalogue/operation.ts';
import { askedFor, fittingOf } from '../catalogue/operations.ts';
import { onlyStrings, saidWork } from '../desk/said-work.ts';
import type { FactsOfConditions } from '../instrument/condition.ts';
import type { JobFacts } from '../job/leaves.ts';
import { closure, inOrder } from '../plan/solve/cost.ts';
import type { Conditions } from '../readings/conditions.ts';
import type { Doubt, Step } from './shop-work.ts';
import { USUAL_ANSWERS, type Answers } from './answers.ts';
import { plainStep, wayOf } from './step-of.ts';
import { suchJobs, type PastJob } from './such-jobs.ts';

/** What is known of a job before it has an order. */
export interface JobBefore {
  readonly id: number;
  readonly facts: Pick<JobFacts, 'inspectionFinished' | 'read' | 'stations'>;
  /** what was found and wants work: item and finding */
  readonly findings: readonly string[];
  /** what is asked for by name, by operation */
  readonly wanted: readonly string[];
  /** complaint and wish, in the customer's words */
  readonly said: string;
  /** the kind of instrument; empty where nobody said */
  readonly kind: string;
  readonly built: FactsOfConditions | null;
  readonly strings: Conditions['strings'];
}

/** By what a shop guesses. */
export interface GuessedBy {
  readonly catalogue: readonly Operation[];
  /** what operations took here, where they were timed often enough */
  readonly measured: ReadonlyMap<string, Doubt>;
  /** what went home before */
  readonly past?: readonly PastJob[] | undefined;
  /** the highest skill in the house: what is guessed asks for no more, whoever does it then */
  readonly best?: number | undefined;
  /** how long customers take to say yes here; absent: as is usual */
  readonly answers?: Answers | undefined;
}

/** What is likely to be done before anybody has looked. */
export interface LikelyWork {
  readonly steps: readonly Step[];
  /** what the customer's words spoke of, with these words */
  readonly said: readonly { readonly operation: OperationId; readonly words: string }[];
  /** by how many such jobs of this shop the setup is known; 0: by the trade's minutes */
  readonly such: number;
  /** how long their yes to the price takes once it is planned, minutes; null where it is said at the counter */
  readonly asks: Doubt | null;
}

/** What takes time before an order is there. Minutes; numbers of the trade, until the shop has its own. */
const LOOK: Doubt = { low: 15, likely: 25, high: 45 };
const READ: Doubt = { low: 10, likely: 20, high: 35 };
/** How much of all that belongs to a plain setup one takes. */
const PLAIN: Doubt = { low: 0.4, likely: 0.6, high: 0.9 };
const MOST_GUESSED = 6;
/** Skills as the planner counts them: who does setups, and who has done many. */
const SETUP = 1;
const HIGHEST = 2;
const RESTRING: OperationId = 'restring';

/** What findings, words and names ask for, with what goes along; what belongs to a plain setup is not named. */
function namedWork(job: JobBefore, by: GuessedBy, said: LikelyWork['said']): Operation[] {
  // Once it was looked at, what was found stands for what was said; what can only be wished for stays.
  const words = said.filter(
    (s) =>
      !job.facts.inspectionFinished ||
      (by.catalogue.find((o) => o.id === s.operation)?.askedBy.length ?? 0) === 0,
  );
  const ids = new Set<OperationId>([
    ...job.findings.flatMap((f) => askedFor(f, by.catalogue) ?? []),
    ...words.map((s) => s.operation),
    ...by.catalogue.map((o) => o.id).filter((id) => job.wanted.includes(id)),
  ]);
  return inOrder(by, closure(by, ids)).filter((o) => !o.plain);
}

/** A plain setup of this instrument by the minutes its parts take; where nothing is known of it, it may have every part. */
function plainSetup(job: JobBefore, { catalogue, measured }: GuessedBy): Doubt {
  const plain = fittingOf(catalogue, job.built).filter(
    (o) => o.plain && (o.id !== 'string-up' || job.strings !== 'at-pitch'),
  );
  const sum = (of: keyof Doubt): number =>
    PLAIN[of] * plain.reduce((all, o) => all + (measured.get(o.id) ?? o.minutes)[of], 0);
  return { low: sum('low'), likely: sum('likely'), high: sum('high') };
}

/** Steps after whose last the customer is asked, and the work goes on when they have answered. */
const askedAfter = (steps: readonly Step[], asks: Doubt): Step[] =>
  steps.map((s, i) => (i < steps.length - 1 ? s : { ...s, wait: asks.likely, rests: asks, asks: true }));

/** The steps before there is an order: looking and reading, then what is likely. */
export function likelyWork(job: JobBefore, by: GuessedBy): LikelyWork {
  const { facts, id } = job;
  const best = by.best ?? HIGHEST;
  const skill = Math.min(SETUP, best);
  const look = facts.inspectionFinished ? [] : [{ ...plainStep(`look:${id}`, 'Inspect', LOOK), skill }];
  const read =
    facts.stations > 0 && facts.read >= facts.stations
      ? []
      : [{ ...plainStep(`read:${id}`, 'Read and plan', READ), skill }];
  const guess = (o: Operation): Step => ({
    ...plainStep(`guess:${id}:${o.id}`, o.name, by.measured.get(o.id) ?? o.minutes),
    ...wayOf(o),
    skill: Math.min(wayOf(o).skill, best),
    guess: true,
  });
  const restring = by.catalogue.find((o) => o.id === RESTRING);
  if (restring && job.findings.length === 0 && job.wanted.length === 0 && onlyStrings(job.said))
    return {
      steps: [guess(restring)],
      said: [{ operation: RESTRING, words: job.said.trim() }],
      such: 0,
      asks: null,
    };
  const said = saidWork(job.said, fittingOf(by.catalogue, job.built));
  const named = namedWork(job, by, said);
  const such = suchJobs(
    by.past ?? [],
    job.kind,
    named.map((o) => o.id),
    by.catalogue,
  );
  const often = by.catalogue.filter((o) => such?.often.includes(o.id));
  const all = inOrder(by, new Set([...named, ...often].map((o) => o.id))).slice(0, MOST_GUESSED);
  const minutes = such?.rest ?? plainSetup(job, by);
  const setup = { ...plainStep(`guess:${id}:setup`, 'A setup', minutes), skill, guess: true };
  const answers = by.answers ?? USUAL_ANSWERS;
  const asks = all.length > 0 ? answers.beyond : answers.plain;
  const before = [...look, ...read];
  return {
    steps: [...(asks === null ? before : askedAfter(before, asks)), ...all.map(guess), setup],
    said,
    such: such?.count ?? 0,
    asks,
  };
}

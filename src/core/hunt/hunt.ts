import type { FactsOfConditions } from '../instrument/condition.ts';
import { CAUSE_IDS, USUAL_CAUSES, type CauseId, type CauseWeights } from './causes.ts';
import { causesOf, triesOn } from './fits.ts';
import { answersOf, LIKELY, TRIES, type TryId } from './tries.ts';

/** One thing that was tried, and what came of it. */
export interface Tried {
  readonly what: TryId;
  readonly answer: string;
}

/** A cause with how likely it is, 0 to 1. */
export interface Weighed {
  readonly cause: CauseId;
  readonly chance: number;
}

/** A try with what it is worth now. */
export interface Proposed {
  readonly what: TryId;
  /** what it is expected to tell, bits */
  readonly tells: number;
}

type Chances = Readonly<Record<CauseId, number>>;

/** What every try costs beside its own minutes: going there and back. */
const BETWEEN_MINUTES = 1;

function normal(raw: Readonly<Partial<Record<CauseId, number>>>): Chances {
  const sum = CAUSE_IDS.reduce((s, c) => s + (raw[c] ?? 0), 0);
  return Object.fromEntries(CAUSE_IDS.map((c) => [c, (raw[c] ?? 0) / sum])) as Record<CauseId, number>;
}

const after = (before: Chances, { what, answer }: Tried): Chances =>
  normal(Object.fromEntries(CAUSE_IDS.map((c) => [c, before[c] * (LIKELY[what][c][answer] ?? 0)])));

/** What a hunt goes by. */
export interface HuntedOn {
  /** how often each cause is met in this shop, against the others; absent: as is usual */
  readonly weights?: CauseWeights;
  /** how the instrument is built: what it cannot have is no cause, and is not tried; absent: as any */
  readonly built?: FactsOfConditions | null;
}

const chancesOf = (tried: readonly Tried[], { weights = USUAL_CAUSES, built = null }: HuntedOn): Chances =>
  tried.reduce(after, normal(Object.fromEntries(causesOf(built).map((c) => [c, weights[c]]))));

/** How unsure one is, bits. */
const entropy = (p: Chances): number =>
  CAUSE_IDS.reduce((sum, c) => (p[c] > 0 ? sum - p[c] * Math.log2(p[c]) : sum), 0);

/**
 * The causes that are still possible, the likeliest first: each one's weight times how likely what was seen would be (Bayes).
 * The same thing tried twice counts once, as it came out last.
 */
export function weigh(tried: readonly Tried[], on: HuntedOn = {}): readonly Weighed[] {
  const p = chancesOf(lastOfEach(tried), on);
  return causesOf(on.built ?? null)
    .map((cause) => ({ cause, chance: p[cause] }))
    .sort((a, b) => b.chance - a.chance);
}

const lastOfEach = (tried: readonly Tried[]): readonly Tried[] =>
  tried.filter((t, i) => !tried.slice(i + 1).some((later) => later.what === t.what));

/** What a try is expected to tell, bits. */
function tells(p: Chances, what: TryId): number {
  const before = entropy(p);
  return answersOf(what).reduce((sum, answer) => {
    const likely = CAUSE_IDS.reduce((s, c) => s + p[c] * (LIKELY[what][c][answer] ?? 0), 0);
    return likely <= 0 ? sum : sum + likely * (before - entropy(after(p, { what, answer })));
  }, 0);
}

/** What to try next, best first: what tells most for its time and was not tried. */
export function nextTries(tried: readonly Tried[], on: HuntedOn = {}): readonly Proposed[] {
  const p = chancesOf(lastOfEach(tried), on);
  const left = triesOn(on.built ?? null).filter((id) => !tried.some((t) => t.what === id));
  return left
    .map((what) => ({ what, tells: tells(p, what) }))
    .sort(
      (a, b) =>
        b.tells / (TRIES[b.what].minutes + BETWEEN_MINUTES) -
        a.tells / (TRIES[a.what].minutes + BETWEEN_MINUTES),
    );
}

/** So sure is enough to look there and mend it. */
export const FOUND = 0.8;

/** Minutes that tries are likely to have taken. */
export const minutesOf = (tried: readonly Pick<Tried, 'what'>[]): number =>
  tried.reduce((sum, t) => sum + TRIES[t.what].minutes, 0);

import { operation as operationOf } from '../catalogue/operations.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Spot } from './shop-work.ts';
import { wayOf } from './step-of.ts';

/** A line as far as its rest goes. */
interface RestedLine {
  readonly id: number;
  readonly operation: OperationId;
  readonly title: string;
  /** the operation as it was agreed */
  readonly agreed: Operation | null;
  /** since when it rests: when it was finished, or the rod last turned, ms */
  readonly finishedAt: number | null;
}

/** A rest that runs: after which step, since when and until when (ms), and which kind of place it keeps taken; null: none. */
export interface Resting {
  readonly step: string;
  readonly title: string;
  readonly place: string | null;
  readonly since: number;
  readonly until: number;
}

const MINUTE = 60_000;

/** What a line is called as a step of the plan. */
export const lineStepId = (lineId: number): string => `line:${lineId}`;

/**
 * The rests of a job that run at a moment, in the order in which they began: glue, a clamped neck, a week under tension.
 * @param now ms since the epoch
 */
export const restingOf = (
  lines: readonly RestedLine[],
  catalogue: readonly Operation[],
  now: number,
): Resting[] =>
  lines
    .flatMap((l): Resting[] => {
      const { wait, holds, place } = wayOf(l.agreed ?? operationOf(l.operation, catalogue));
      const until = l.finishedAt === null ? now : l.finishedAt + wait * MINUTE;
      return l.finishedAt === null || until <= now
        ? []
        : [
            {
              step: lineStepId(l.id),
              title: l.title,
              place: holds ? place : null,
              since: l.finishedAt,
              until,
            },
          ];
    })
    .sort((a, b) => a.since - b.since);

/** A place that what rests keeps taken. Moments are ms. */
export interface Taken extends Resting {
  readonly spot: string;
  readonly job: number;
  readonly number: number;
}

/**
 * Which places are taken by what rests in them: each where its step was planned, else the first of its kind that nothing rests in.
 * What finds none (there are more clamps than the shop said) takes none.
 * @param planned where steps stood, by their ids
 */
export function takenBy(
  jobs: readonly { readonly id: number; readonly number: number; readonly resting: readonly Resting[] }[],
  spots: readonly Spot[],
  planned: ReadonlyMap<string, string | null>,
): Taken[] {
  const holding = jobs
    .flatMap((j) =>
      j.resting.filter((r) => r.place !== null).map((r) => ({ ...r, job: j.id, number: j.number })),
    )
    .sort((a, b) => a.since - b.since || a.job - b.job);
  const taken = new Map<string, Taken>();
  const put = (r: (typeof holding)[number], where: (s: Spot) => boolean): boolean => {
    const spot = spots.find((s) => s.kind === r.place && !taken.has(s.id) && where(s));
    if (spot) taken.set(spot.id, { ...r, spot: spot.id });
    return spot !== undefined;
  };
  const left = holding.filter((r) => !put(r, (s) => s.id === planned.get(r.step)));
  for (const r of left) put(r, () => true);
  return [...taken.values()];
}

/** Places with what rests in them, until it has rested; minutes of a plan that begins at a moment (ms). */
export const withTaken = (spots: readonly Spot[], taken: readonly Taken[], from: number): Spot[] =>
  spots.map((s) => {
    const here = taken.find((t) => t.spot === s.id);
    if (!here) return s;
    const to = Math.ceil((here.until - from) / MINUTE);
    return { ...s, out: [...s.out, { from: 0, to, by: here.number }] };
  });

/** An instrument that rests, and where it keeps a place taken. Moments are ms. */
export interface RestShown {
  readonly number: number;
  /** the step it rests after */
  readonly title: string;
  readonly since: number;
  readonly until: number;
  readonly spot: string | null;
}

/** What rests, with the place it keeps, the first to end first. */
export const restsWithPlaces = (
  jobs: readonly { readonly number: number; readonly resting: readonly Resting[] }[],
  taken: readonly Taken[],
): RestShown[] =>
  jobs
    .flatMap(({ number, resting }) =>
      resting.map(({ step, title, since, until }) => ({
        number,
        title,
        since,
        until,
        spot: taken.find((t) => t.step === step)?.spot ?? null,
      })),
    )
    .sort((a, b) => a.until - b.until || a.number - b.number);

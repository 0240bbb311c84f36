import { operation as operationOf } from '../catalogue/operations.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { Wait } from '../job/waiting.ts';
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
  /** when it may be over instead, ms */
  readonly between: readonly [soonest: number, latest: number];
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
      const { wait, rests, holds, place } = wayOf(l.agreed ?? operationOf(l.operation, catalogue));
      const { finishedAt: since, title } = l;
      if (since === null || since + wait * MINUTE <= now) return [];
      const after = (minutes: number): number => Math.max(now, since + minutes * MINUTE);
      return [
        {
          step: lineStepId(l.id),
          title,
          place: holds ? place : null,
          since,
          until: after(wait),
          between: [after(rests?.low ?? wait), after(rests?.high ?? wait)],
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
  /** after what, in words */
  readonly why: string;
  readonly until: number;
  /** since when it is in a place that it keeps taken */
  readonly held: { readonly spot: string; readonly since: number } | null;
}

/** A job with its rests, and what its tag says. Moments are ms. */
export interface RestingJob {
  readonly number: number;
  readonly resting: readonly Resting[];
  readonly waitingFor: Wait;
  readonly waitingNote: string;
  readonly waitingUntil: number | null;
}

/** What a tag says that rests by itself, not after a step. */
function hungRest({ number, resting, ...tag }: RestingJob, now: number): RestShown[] {
  const { waitingFor, waitingNote, waitingUntil } = tag;
  const isOwn = resting.some((r) => r.until === waitingUntil);
  return waitingFor !== 'time' || waitingUntil === null || waitingUntil <= now || isOwn
    ? []
    : [{ number, why: waitingNote, until: waitingUntil, held: null }];
}

/**
 * What rests, with the place it keeps, the first to end first.
 * @param now ms since the epoch
 */
export const restsWithPlaces = (
  jobs: readonly RestingJob[],
  taken: readonly Taken[],
  now: number,
): RestShown[] =>
  jobs
    .flatMap((j) => [
      ...hungRest(j, now),
      ...j.resting.map(({ step, title, since, until }): RestShown => {
        const place = taken.find((t) => t.step === step);
        const held = place ? { spot: place.spot, since } : null;
        return { number: j.number, why: `after “${title}”`, until, held };
      }),
    ])
    .sort((a, b) => a.until - b.until || a.number - b.number);

import type { Minor } from '../money/minor.ts';
import { atMost } from '../schedule/reliability.ts';
import { firstCutShare, type Outcome } from './came-out.ts';

/** What a setting of the shop's would better have been, with what speaks for it. A person takes it or not. */
export type LearnProposal =
  | {
      readonly id: 'first-cut';
      readonly now: number;
      readonly proposed: number;
      /** how many cuts speak for it */
      readonly count: number;
      readonly says: string;
    }
  | {
      readonly id: `minutes:${string}`;
      readonly operation: string;
      readonly name: string;
      readonly now: Minutes;
      readonly proposed: Minutes;
      readonly count: number;
      readonly says: string;
    }
  | {
      readonly id: `price:${string}`;
      readonly operation: string;
      readonly name: string;
      readonly now: Minor;
      readonly proposed: Minor;
      readonly count: number;
      readonly says: string;
    };

export interface Minutes {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** A share that differs by less is not worth asking. */
const LEAST_SHARE = 0.02;
const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** How the first cut's share would have been right, where the cuts say another one than the shop's. */
export function proposeFirstCut(cuts: readonly Outcome[], now: number): LearnProposal | null {
  const proposed = firstCutShare(cuts);
  if (proposed === null || Math.abs(proposed - now) < LEAST_SHARE) return null;
  const past = cuts.filter((c) => c.said > 0 && (c.came / c.said) * now > 1).length;
  return {
    id: 'first-cut',
    now,
    proposed,
    count: cuts.length,
    says: `${cuts.length} saddle cuts: at ${percent(now)} of the whole, ${past} would have gone past it; at ${percent(proposed)} five in a hundred at most would.`,
  };
}

/** Fewer measured times propose nothing. */
export const ENOUGH_TIMES = 8;
/** The likely minutes must be off by so much of themselves. */
const OFF = 0.15;
const TAIL = 0.025;
/** Minutes are said to five. */
const GRAIN = 5;

const grain = (minutes: number): number => Math.max(GRAIN, Math.round(minutes / GRAIN) * GRAIN);

/** A point of sorted values: the one that the share lies under. */
const pointOf = (sorted: readonly number[], share: number): number =>
  sorted[Math.round(share * (sorted.length - 1))] ?? 0;

/**
 * The minutes that would have been right: those that one, five and nine of ten stayed under; only where so few or so many took longer
 * than is said likely as chance would give in fewer than one of twenty.
 */
export function proposeMinutes(
  { id, name, minutes: now }: { readonly id: string; readonly name: string; readonly minutes: Minutes },
  took: readonly number[],
): LearnProposal | null {
  if (took.length < ENOUGH_TIMES) return null;
  const sorted = [...took].sort((a, b) => a - b);
  const likely = pointOf(sorted, 0.5);
  if (Math.abs(likely - now.likely) < Math.max(GRAIN, OFF * now.likely)) return null;
  // Where just as long as was said is neither.
  const [longer, shorter] = [
    took.filter((m) => m > now.likely).length,
    took.filter((m) => m < now.likely).length,
  ];
  if (atMost(Math.min(longer, shorter), longer + shorter, 0.5) >= TAIL) return null;
  const proposed = {
    low: grain(pointOf(sorted, 0.1)),
    likely: grain(likely),
    high: grain(pointOf(sorted, 0.9)),
  };
  return {
    id: `minutes:${id}`,
    operation: id,
    name,
    now,
    proposed,
    count: took.length,
    says: `${took.length} times measured: half took ${Math.round(likely)} minutes or less, nine of ten ${Math.round(pointOf(sorted, 0.9))}; ${longer} took longer than the ${now.likely} that are said likely.`,
  };
}

/** A price is proposed to so many of its smallest round step, minor units. */
const PRICE_GRAIN = 100;

/**
 * The price that would have been right: what the operation took at the shop's rate of an hour; where it has none, at what an hour of
 * all the other measured work brings.
 * @param hourly minor units; null where the shop does not work by the hour
 */
export function proposePrices(
  catalogue: readonly { readonly id: string; readonly name: string; readonly price: Minor }[],
  took: ReadonlyMap<string, readonly number[]>,
  hourly: Minor | null,
): readonly LearnProposal[] {
  const measured = catalogue.flatMap((o) => {
    const own = took.get(o.id) ?? [];
    if (own.length < ENOUGH_TIMES || o.price === 0) return [];
    return [{ ...o, own, minutes: own.reduce((a, b) => a + b, 0) / own.length }];
  });
  const others = (id: string) => measured.filter((o) => o.id !== id);
  return measured.flatMap((o): LearnProposal[] => {
    const rest = others(o.id);
    const minutes = rest.reduce((sum, r) => sum + r.minutes * r.own.length, 0);
    if (hourly === null && (rest.length < 2 || minutes === 0)) return [];
    const perMinute =
      hourly === null ? rest.reduce((sum, r) => sum + r.price * r.own.length, 0) / minutes : hourly / 60;
    // The mean's own doubt: a price is proposed only where it lies beyond it.
    const sd = Math.sqrt(o.own.reduce((sum, m) => sum + (m - o.minutes) ** 2, 0) / (o.own.length - 1));
    const doubt = (2 * sd * perMinute) / Math.sqrt(o.own.length);
    const fair = perMinute * o.minutes;
    const proposed = Math.round(fair / PRICE_GRAIN) * PRICE_GRAIN;
    if (Math.abs(fair - o.price) < Math.max(doubt, OFF * o.price) || proposed === o.price) return [];
    return [
      {
        id: `price:${o.id}`,
        operation: o.id,
        name: o.name,
        now: o.price,
        proposed,
        count: o.own.length,
        says: `${o.own.length} times measured, ${Math.round(o.minutes)} minutes each: ${hourly === null ? 'at what an hour of the other measured work brings' : 'at the shop’s rate of an hour'} it would cost this.`,
      },
    ];
  });
}

/** A proposal that was put away comes again when half as many cases more speak for it. */
export const comesAgain = (count: number, putAwayAt: number): boolean => count >= 1.5 * putAwayAt;

/** What was put away, by proposal: with how many cases behind it. */
export type PutAway = Readonly<Record<string, { readonly count: number }>>;

/** What proposals rest on. */
export interface LearnedFrom {
  readonly cuts: readonly Outcome[];
  readonly firstCutShare: number;
  readonly catalogue: readonly {
    readonly id: string;
    readonly name: string;
    readonly minutes: Minutes;
    readonly price: Minor;
  }[];
  /** minutes by operation */
  readonly took: ReadonlyMap<string, readonly number[]>;
  readonly hourly: Minor | null;
}

/** Everything that is proposed now and was not put away with as much behind it. */
export function proposalsOf(from: LearnedFrom, left: PutAway): readonly LearnProposal[] {
  const { cuts, firstCutShare: share, catalogue, took, hourly } = from;
  return [
    proposeFirstCut(cuts, share),
    ...catalogue.map((o) => proposeMinutes(o, took.get(o.id) ?? [])),
    ...proposePrices(catalogue, took, hourly),
  ].flatMap((p) => {
    if (p === null) return [];
    const before = left[p.id];
    return before === undefined || comesAgain(p.count, before.count) ? [p] : [];
  });
}

/** The one number a proposal is about: a share, likely minutes, minor units. */
export const proposedNumber = (p: LearnProposal): number =>
  typeof p.proposed === 'number' ? p.proposed : p.proposed.likely;

import type { Construction } from '../instrument/construction.ts';
import type { Buzz } from '../sound/buzz.ts';
import type { Heard, Refused } from '../sound/hear.ts';
import { centsFrom } from '../sound/note-of.ts';
import { BUZZES_FROM } from '../sound/say-buzz.ts';
import type { Hz } from '../units/unit-types.ts';
import { earPlan, type EarWish } from './ear-plan.ts';

/** A place that is played. */
export interface PlayedPlace {
  /** 1 is the highest */
  readonly string: number;
  /** `6 E` */
  readonly name: string;
  /** the other string of its pair, which a hand keeps quiet; null where it stands alone */
  readonly partner: string | null;
  /** 0 is the open string */
  readonly held: number;
  readonly hz: Hz;
}

/** What is played of a neck, in this order. */
export interface PlacePlan {
  readonly places: readonly PlayedPlace[];
}

/** How every place is wanted. */
export interface PlaceWish extends Pick<EarWish, 'tuning' | 'pitch' | 'firstString' | 'only'> {
  /** the last fret it is held at */
  readonly upTo: number;
}

/** Every string, open and at each fret up to the last one wanted. */
export function placePlan(c: Construction, { upTo, ...wish }: PlaceWish): PlacePlan {
  const { strings } = earPlan(c, { ...wish, method: 'open', tune: false, nut: false });
  const last = Math.min(upTo, c.frets - 1);
  return {
    places: strings.flatMap(({ number, name, hz, partner }) =>
      Array.from({ length: last + 1 }, (_, held) => ({
        string: number,
        name,
        partner,
        held,
        hz: hz * 2 ** (held / 12),
      })),
    ),
  };
}

/** A place, and how much it buzzes, 0 to 1. */
export interface PlacedAmount {
  readonly place: PlayedPlace;
  readonly amount: number;
}

/** What came of the last pluck. */
export type PlaceOutcome =
  | ({ readonly kind: 'heard' } & PlacedAmount)
  /** neither clear nor a buzz for sure: once more */
  | { readonly kind: 'unsure'; readonly amount: number; readonly doubt: number }
  /** other strings ring along, or it hardly rings */
  | { readonly kind: 'not-told' }
  | { readonly kind: 'refused'; readonly why: Refused }
  | { readonly kind: 'knocked' }
  | { readonly kind: 'begun-again' }
  | { readonly kind: 'skipped' };

/** Where playing every place stands. */
export interface PlaceRound {
  readonly plan: PlacePlan;
  /** the place that is awaited; past the last: all were played */
  readonly at: number;
  /** how much each buzzes, 0 to 1, by place; null where it was not heard */
  readonly amounts: readonly (number | null)[];
  /** plucks of the awaited place that were not sure enough */
  readonly unsure: readonly number[];
  readonly last: PlaceOutcome | null;
}

export const beginPlaces = (plan: PlacePlan): PlaceRound => ({
  plan,
  at: 0,
  amounts: plan.places.map(() => null),
  unsure: [],
  last: null,
});

export const placeNow = ({ plan, at }: PlaceRound): PlayedPlace | null => plan.places[at] ?? null;

/** A held place is itself as far from its pitch as that, cents: less than half a fret. */
const NEAR = 45;
const MOST_UNSURE = 3;

/** The pitches that may come: the places of the string that is awaited. */
export function awaitedPlaces(round: PlaceRound): readonly Hz[] {
  const now = placeNow(round);
  return now ? round.plan.places.filter((p) => p.string === now.string).map((p) => p.hz) : [];
}

/** The place of the awaited string that lies at a pitch. */
function playedAt(round: PlaceRound, hz: Hz): number {
  const now = placeNow(round);
  return round.plan.places.findIndex((p) => p.string === now?.string && Math.abs(centsFrom(hz, p.hz)) < NEAR);
}

/** The first place from one on that was not heard yet; past the last where there is none. */
const following = (round: PlaceRound, from: number): number => {
  const next = round.plan.places.findIndex((_, i) => i >= from && round.amounts[i] === null);
  return next < 0 ? round.plan.places.length : next;
};

function noted(round: PlaceRound, index: number, amount: number): PlaceRound {
  const place = round.plan.places[index];
  if (!place) return round;
  const amounts = round.amounts.map((a, i) => (i === index ? amount : a));
  const on = { ...round, amounts, unsure: [], last: { kind: 'heard' as const, place, amount } };
  return { ...on, at: following(on, index === round.at ? index + 1 : round.at) };
}

/** A pluck was heard: which place of the string it was, and whether it buzzes. */
export function hearPlayed(round: PlaceRound, heard: Heard, buzz: Buzz | null): PlaceRound {
  if (placeNow(round) === null) return round;
  const { hz, refused } = heard;
  if (hz === null) return { ...round, last: { kind: 'refused', why: refused ?? 'too-noisy' } };
  const index = playedAt(round, hz);
  if (index < 0) return { ...round, last: { kind: 'refused', why: 'not-this-string' } };
  if (buzz === null) return { ...round, last: { kind: 'not-told' } };
  const { amount, doubt } = buzz;
  if (Math.abs(amount - BUZZES_FROM) > doubt) return noted(round, index, amount);
  const unsure = [...round.unsure, amount];
  if (unsure.length >= MOST_UNSURE)
    return noted(round, index, unsure.reduce((a, b) => a + b, 0) / unsure.length);
  return { ...round, unsure, last: { kind: 'unsure', amount, doubt } };
}

/** Once more: the place that was heard last, else the one before this. */
export function playAgain(round: PlaceRound): PlaceRound {
  const { last } = round;
  const heard = last?.kind === 'heard' ? round.plan.places.indexOf(last.place) : -1;
  const at = heard >= 0 ? heard : Math.max(0, round.at - 1);
  return {
    ...round,
    at,
    amounts: round.amounts.map((a, i) => (i === at ? null : a)),
    unsure: [],
    last: { kind: 'begun-again' },
  };
}

/** Leaves the awaited place out. */
export const skipPlace = (round: PlaceRound): PlaceRound =>
  placeNow(round) === null
    ? round
    : { ...round, at: following(round, round.at + 1), unsure: [], last: { kind: 'skipped' } };

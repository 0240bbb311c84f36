import type { Buzz } from '../sound/buzz.ts';
import type { Heard, Refused } from '../sound/hear.ts';
import { buzzes } from '../sound/say-buzz.ts';

/** How much a noise buzzed before a try and with it, 0 to 1 each. */
export interface NoiseHeard {
  readonly before: number;
  readonly now: number;
}

/** What came of the last pluck. */
export type NoiseOutcome =
  | ({ readonly kind: 'heard' } & Buzz)
  /** what should be hunted is not there: it rings clear before anything was tried */
  | ({ readonly kind: 'not-there' } & Buzz)
  /** other strings ring along, or it hardly rings */
  | { readonly kind: 'not-told' }
  | { readonly kind: 'refused'; readonly why: Refused }
  | { readonly kind: 'knocked' }
  | { readonly kind: 'begun-again' };

/** A noise that is heard before a try and with it. */
export interface NoiseRound {
  readonly at: 'before' | 'now' | 'over';
  readonly before: readonly Buzz[];
  readonly now: readonly Buzz[];
  readonly last: NoiseOutcome | null;
}

/** What the ear says a try did: as the tries of a hunt are answered. */
export type NoiseAnswer = 'stops' | 'less' | 'same';

/** Plucks before and with it. */
export const PLUCKS_EACH = 2;

/** @param before plucks of the noise that were heard already, so that only the try is to be heard */
export const beginNoise = (before: readonly Buzz[] = []): NoiseRound => ({
  at: before.length >= PLUCKS_EACH ? 'now' : 'before',
  before,
  now: [],
  last: null,
});

const isBuzz = ({ amount }: Buzz): boolean => buzzes(amount);

/** A pluck was heard: before the try, or with it. */
export function hearNoise(round: NoiseRound, { hz, refused }: Heard, buzz: Buzz | null): NoiseRound {
  if (round.at === 'over') return round;
  if (hz === null) return { ...round, last: { kind: 'refused', why: refused ?? 'too-noisy' } };
  if (buzz === null) return { ...round, last: { kind: 'not-told' } };
  if (round.at === 'before' && !isBuzz(buzz)) return { ...round, last: { kind: 'not-there', ...buzz } };
  const heard = [...round[round.at], buzz];
  const enough = heard.length >= PLUCKS_EACH;
  const last = { kind: 'heard' as const, ...buzz };
  return round.at === 'before'
    ? { ...round, before: heard, at: enough ? 'now' : 'before', last }
    : { ...round, now: heard, at: enough ? 'over' : 'now', last };
}

/** Once more: what was heard with the try, else before it, is forgotten. */
export function noiseAgain(round: NoiseRound): NoiseRound {
  const last = { kind: 'begun-again' } as const;
  return round.now.length > 0
    ? { ...round, at: 'now', now: [], last }
    : { at: 'before', before: [], now: [], last };
}

/** The evidence for a buzz behind an amount, as the logarithm of its odds; bounded, since an amount near 0 or 1 hardly tells. */
const evidence = (amount: number): number => {
  const a = Math.max(1e-4, Math.min(1 - 1e-4, amount));
  return Math.log(a / (1 - a));
};

const mean = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / Math.max(1, of.length);
const varianceOf = (of: readonly number[]): number => {
  const middle = mean(of);
  return of.reduce((sum, x) => sum + (x - middle) ** 2, 0) / Math.max(1, of.length - 1);
};

/** Two plucks of one hand differ by so much, as the logarithm of the odds. */
const HAND = 0.8;
/** Less than that nobody would call it. */
const LEAST_LESS = 1.5;

/**
 * What a try did to a noise, by the ear: it stops where none of the plucks with it buzzes, is less where its evidence fell by more than
 * two plucks of one hand differ, else it stays. Null until both were heard.
 */
export function noiseSays({
  before,
  now,
}: Pick<NoiseRound, 'before' | 'now'>): (NoiseHeard & { readonly answer: NoiseAnswer }) | null {
  if (before.length === 0 || now.length < PLUCKS_EACH) return null;
  const said = { before: mean(before.map((b) => b.amount)), now: mean(now.map((b) => b.amount)) };
  if (!now.some(isBuzz)) return { ...said, answer: 'stops' };
  const [was, is] = [before, now].map((all) => all.map((b) => evidence(b.amount))) as [number[], number[]];
  const off = Math.sqrt(
    [was, is].reduce((sum, all) => sum + Math.max(HAND ** 2, varianceOf(all)) / all.length, 0),
  );
  return { ...said, answer: mean(was) - mean(is) > Math.max(LEAST_LESS, 2 * off) ? 'less' : 'same' };
}

import type { NoiseHeard } from '../ear/noise-round.ts';
import type { CauseId } from './causes.ts';
import type { Tried } from './hunt.ts';

/** How the customer agreed to the time a hunt may take. */
export const AGREED_BY = { counter: 'at the counter', phone: 'by telephone', writing: 'in writing' } as const;
export type AgreedBy = keyof typeof AGREED_BY;

/** One try of a hunt: what it was, what it did to the noise, who and when. */
export interface HuntEntry extends Tried {
  readonly id: number;
  readonly words: string;
  /** how much it buzzed before and with it, where the ear said what it did; older tries have none */
  readonly heard?: NoiseHeard | null;
  readonly by: number;
  /** ISO, the house's clock */
  readonly at: string;
}

/** How a hunt ended: with its cause, or left. */
export interface HuntEnd {
  readonly cause: CauseId | null;
  readonly words: string;
  readonly by: number;
  readonly at: string;
}

/** A noise that is hunted on a job; its trail stays for the next person. */
export interface Hunt {
  readonly version: number;
  /** the most it may take, minutes; null: nothing was agreed */
  readonly limit: number | null;
  readonly agreed: AgreedBy | null;
  readonly trail: readonly HuntEntry[];
  readonly ended: HuntEnd | null;
}

export const NO_HUNT: Hunt = { version: 0, limit: null, agreed: null, trail: [], ended: null };

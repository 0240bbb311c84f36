import type { Wait } from '../job/waiting.ts';

/** What the counter knows of an instrument in the house that somebody may have to hear of. Moments in ms. */
export interface Waiting {
  readonly number: number;
  readonly jobId: number;
  readonly customer: string;
  readonly phone: string;
  readonly instrument: string;
  readonly waitingFor: Wait;
  /** lines of the order that wait for an answer */
  readonly asked: number;
  /** whether a colleague was asked about it and has not answered: then that is the word it waits for */
  readonly colleagueAsked: boolean;
  /** what was written about it, oldest first */
  readonly written: readonly Written[];
}

/** A message as the counter sees it. */
export interface Written {
  readonly purpose: string;
  readonly channel: 'mail' | 'text' | 'call';
  readonly state: 'waiting' | 'delivered' | 'failed';
  readonly at: number;
  readonly trouble: string;
}

/** Somebody to call, and why. */
export interface ToCall extends Pick<Waiting, 'number' | 'jobId' | 'customer' | 'phone' | 'instrument'> {
  readonly about: 'ready' | 'estimate';
  readonly why: string;
}

const DAY_MS = 86_400_000;
/** A question that nobody has answered for so long is better asked by telephone. */
const UNANSWERED_DAYS = 2;
/** What was said to be ready and stands so long is asked after. */
const UNFETCHED_DAYS = 7;

const plural = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

const aboutWhat = (w: Waiting): 'ready' | 'estimate' => (w.waitingFor === 'home' ? 'ready' : 'estimate');

/**
 * Why a customer should be called about one instrument now: nobody told them, it did not arrive, or it was long ago. Null where
 * nothing is to be said to them, as where it waits for a colleague’s word.
 */
export function whyCall(w: Waiting, now: number): string | null {
  const about = aboutWhat(w);
  if (about === 'estimate' && w.asked === 0 && (w.waitingFor !== 'word' || w.colleagueAsked)) return null;
  const last = w.written.findLast((m) => m.purpose === about);
  const ago = last ? Math.floor((now - last.at) / DAY_MS) : 0;
  if (last?.state === 'failed' && last.channel === 'call')
    return `${about === 'ready' ? 'ready' : 'their word is wanted'}: called ${ago === 0 ? 'today' : `${plural(ago, 'day', 'days')} ago`}, nobody answered`;
  if (last?.state === 'failed')
    return `what was written did not arrive${last.trouble && `: ${last.trouble}`}`;
  if (about === 'ready') {
    if (!last) return 'ready, and not told yet';
    return ago < UNFETCHED_DAYS ? null : `told ${plural(ago, 'day', 'days')} ago, not fetched`;
  }
  const what = w.asked > 0 ? plural(w.asked, 'line waits', 'lines wait') : 'it waits';
  if (!last) return `${what} for their word, and nobody has asked`;
  return ago < UNANSWERED_DAYS ? null : `asked ${plural(ago, 'day', 'days')} ago, no answer`;
}

/** Whom to call, in the order the house has them. */
export const whoToCall = (all: readonly Waiting[], now: number): ToCall[] =>
  all.flatMap((w) => {
    const why = whyCall(w, now);
    if (why === null) return [];
    const { number, jobId, customer, phone, instrument } = w;
    return [{ number, jobId, customer, phone, instrument, why, about: aboutWhat(w) }];
  });

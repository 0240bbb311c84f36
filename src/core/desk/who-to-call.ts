import type { Wait } from '../job/waiting.ts';

/** What the counter knows of an instrument in the house that somebody may have to hear of. Moments in ms. */
export interface Waiting {
  readonly number: number;
  readonly customer: string;
  readonly phone: string;
  readonly instrument: string;
  readonly waitingFor: Wait;
  /** lines of the order that wait for an answer */
  readonly asked: number;
  /** what was written about it, oldest first */
  readonly written: readonly Written[];
}

/** A message as the counter sees it. */
export interface Written {
  readonly purpose: string;
  readonly state: 'waiting' | 'delivered' | 'failed';
  readonly at: number;
  readonly trouble: string;
}

/** Somebody to call, and why. */
export interface ToCall extends Pick<Waiting, 'number' | 'customer' | 'phone' | 'instrument'> {
  readonly why: string;
}

const DAY_MS = 86_400_000;
/** A question that nobody has answered for so long is better asked by telephone. */
const UNANSWERED_DAYS = 2;
/** What was said to be ready and stands so long is asked after. */
const UNFETCHED_DAYS = 7;

const plural = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** Why a customer should be called about one instrument now, or null: nobody told them, it did not arrive, or it was long ago. */
export function whyCall(w: Waiting, now: number): string | null {
  const about = w.waitingFor === 'home' ? 'ready' : 'estimate';
  if (about === 'estimate' && w.asked === 0 && w.waitingFor !== 'word') return null;
  const last = w.written.findLast((m) => m.purpose === about);
  if (last?.state === 'failed')
    return `what was written did not arrive${last.trouble && `: ${last.trouble}`}`;
  const days = last ? Math.floor((now - last.at) / DAY_MS) : 0;
  if (about === 'ready') {
    if (!last) return 'ready, and not told yet';
    return days < UNFETCHED_DAYS ? null : `told ${plural(days, 'day', 'days')} ago, not fetched`;
  }
  const what = w.asked > 0 ? plural(w.asked, 'line waits', 'lines wait') : 'it waits';
  if (!last) return `${what} for their word, and nobody has asked`;
  return days < UNANSWERED_DAYS ? null : `asked ${plural(days, 'day', 'days')} ago, no answer`;
}

/** Whom to call, in the order the house has them. */
export const whoToCall = (all: readonly Waiting[], now: number): ToCall[] =>
  all.flatMap((w) => {
    const why = whyCall(w, now);
    if (why === null) return [];
    const { number, customer, phone, instrument } = w;
    return [{ number, customer, phone, instrument, why }];
  });

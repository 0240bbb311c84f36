import type { Opening } from '../../core/days/opening.ts';
import * as days from '../../core/days/say-days.ts';
import type { ShopInfo } from '../../core/job/shop.ts';
import { dayIn } from '../../core/days/zone.ts';

/** Where the shop's days begin and end, and how they are written. */
export type ShopDays = Pick<ShopInfo, 'zone' | 'dates'> & { readonly opening: Opening };

// A process serves one shop, and a screen shows one: its days are the same for whoever looks, wherever the tablet is.
let shop: ShopDays = { zone: 'UTC', dates: 'day-month', opening: { hours: null, closed: [] } };

/** From now on days and moments are said as this shop says them. */
export function setShopDays(to: ShopDays): void {
  shop = to;
}

/** Says a day the way it is said in the shop: today, tomorrow, Fri, 2 Dec. `iso` is `yyyy-mm-dd`. */
export const sayDay = (iso: string, today: string): string => days.sayDay(iso, today, shop.dates);

/** Says a moment as the clock on the shop's wall shows it: `23 Nov, 14:10`. */
export const sayMoment = (iso: string): string => days.sayMoment(Date.parse(iso), shop.zone, shop.dates);

/** The shop's day at a moment (ms or ISO), `yyyy-mm-dd`. */
export const dayOf = (at: string | number): string =>
  dayIn(typeof at === 'number' ? at : Date.parse(at), shop.zone);

/** The shop's today as `yyyy-mm-dd`. */
export const todayIso = (): string => dayIn(Date.now(), shop.zone);

/** Says a day whole, for paper and customers: `16 December 2026`. `iso` is `yyyy-mm-dd`. */
export const sayDate = (iso: string): string => days.sayDate(iso, shop.dates);

/** When the shop is open. */
export const shopOpening = (): Opening => shop.opening;

/** A day as it is said beside others: `Fri 27 Nov`. */
export const sayWeekday = (iso: string): string => `${days.weekdayOf(iso)} ${days.sayShort(iso, shop.dates)}`;

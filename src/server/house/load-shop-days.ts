import type { Opening } from '../../core/days/opening.ts';
import type { ShopInfo } from '../../core/job/shop.ts';
import type { Database } from '../db/connection.ts';
import { shopOf } from './load-shop.ts';
import { openingOf } from './opening.ts';

/** Where the shop's days begin and end, how they are written, and when it is open: one statement. */
export async function loadShopDays({
  models,
}: Pick<Database, 'models'>): Promise<Pick<ShopInfo, 'zone' | 'dates'> & { readonly opening: Opening }> {
  const rows = await models.Setting.findAll({ where: { name: ['shop', 'opening'] } });
  const { zone, dates } = shopOf(rows);
  return { zone, dates, opening: openingOf(rows) };
}

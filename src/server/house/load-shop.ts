import { shopInfoSchema } from '../../contracts/shop-info.ts';
import type { ShopInfo } from '../../core/job/shop.ts';
import type { Database } from '../db/connection.ts';

/** What the shop is called, its money, its tax and how it shows things, out of its settings. */
export const shopOf = (settings: readonly { readonly name: string; readonly value: unknown }[]): ShopInfo =>
  shopInfoSchema.parse(settings.find((s) => s.name === 'shop')?.value);

/** The same with its version, asked of the database. */
export async function loadShopSetting({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly info: ShopInfo; readonly version: number }> {
  const rows = await models.Setting.findAll({ where: { name: 'shop' } });
  return { info: shopOf(rows), version: rows[0]?.version ?? 0 };
}

/** The same without. */
export const loadShop = async (db: Pick<Database, 'models'>): Promise<ShopInfo> =>
  (await loadShopSetting(db)).info;

import { z } from 'zod';
import type { Database } from '../db/connection.ts';

const shop = z.object({
  name: z.string(),
  currency: z.string(),
  taxRate: z.number(),
  heights: z.enum(['64ths', 'thou', 'mm']),
});

export type Shop = z.infer<typeof shop>;

/** The shop's name, currency sign, tax rate and the unit heights are shown in, out of its settings. */
export const shopOf = (settings: readonly { readonly name: string; readonly value: unknown }[]): Shop =>
  shop.parse(settings.find((s) => s.name === 'shop')?.value);

/** The same, asked of the database. */
export const loadShop = async ({ models }: Database): Promise<Shop> =>
  shopOf(await models.Setting.findAll({ where: { name: 'shop' } }));

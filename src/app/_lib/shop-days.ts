import { cache } from 'react';
import { database } from '../../server/db/connection.ts';
import { loadShopDays } from '../../server/house/load-shop-days.ts';
import { madeFrom } from './made-from.ts';
import { setShopDays } from '../../ui/kit/dates.ts';

/**
 * The shop's days, once a request; from here on what the server draws says days and moments by them. Its modules are not those of
 * the screens: what these were told it does not know.
 */
export const shopDays = cache(async () => {
  // What is changed after this was read, its screen is told.
  await madeFrom();
  const days = await loadShopDays(database());
  setShopDays(days);
  return days;
});

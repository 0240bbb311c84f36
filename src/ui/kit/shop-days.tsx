'use client';

import type { ReactNode } from 'react';
import { setShopDays, type ShopDays as Days } from './dates.ts';

/** Everything inside says days and moments as the shop does, on the server's first drawing and on the screen. */
export function ShopDays({ days, children }: { readonly days: Days; readonly children: ReactNode }) {
  // Before anything inside is drawn: the same for every screen of the shop, so that doing it again changes nothing.
  setShopDays(days);
  return children;
}

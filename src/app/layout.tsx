import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/source-serif-4/index.css';
import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { database } from '../server/db/connection.ts';
import { loadShop } from '../server/house/load-shop.ts';
import { loadOpening } from '../server/house/opening.ts';
import { ShopDays } from '../ui/kit/shop-days.tsx';
import './globals.css';

export const metadata: Metadata = { title: { default: 'Rubrica', template: '%s · Rubrica' } };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const theme = (await cookies()).get('rubrica_theme')?.value === 'dim' ? 'dim' : 'light';
  const [{ zone, dates }, { opening }] = await Promise.all([loadShop(database()), loadOpening(database())]);
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>
        <ShopDays days={{ zone, dates, opening }}>{children}</ShopDays>
      </body>
    </html>
  );
}

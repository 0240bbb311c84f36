import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/source-serif-4/index.css';
import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { ShopDays } from '../ui/kit/shop-days.tsx';
import { shopDays } from './_lib/shop-days.ts';
import './globals.css';

export const metadata: Metadata = { title: { default: 'Rubrica', template: '%s · Rubrica' } };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const theme = (await cookies()).get('rubrica_theme')?.value === 'dim' ? 'dim' : 'light';
  const days = await shopDays();
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>
        <ShopDays days={days}>{children}</ShopDays>
      </body>
    </html>
  );
}

import type { ReactNode } from 'react';
import { Live } from '../../ui/live.tsx';
import { Uploads } from '../../ui/photos/uploads.tsx';
import { Nav } from '../../ui/nav.tsx';
import { requireActor } from '../_lib/session.ts';

export default async function HouseLayout({ children }: { readonly children: ReactNode }) {
  const actor = await requireActor();
  return (
    <div className="flex min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-card focus:p-3">
        To the page
      </a>
      <Nav name={actor.name} initials={actor.initials} />
      <main id="main" className="min-w-0 flex-1 max-sm:pb-16">
        <Uploads>{children}</Uploads>
      </main>
      <Live />
    </div>
  );
}

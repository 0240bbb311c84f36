import type { ReactNode } from 'react';
import { database } from '../../server/db/connection.ts';
import { sharedLoad } from '../../server/db/shared-load.ts';
import { loadNotices } from '../../server/people/notices.ts';
import { loadWaits } from '../../server/bench/load-waits.ts';
import { Live } from '../../ui/data/live.tsx';
import { QueueStrip } from '../../ui/data/queue-strip.tsx';
import { Uploads } from '../../ui/photos/uploads.tsx';
import { Nav } from '../../ui/frame/nav.tsx';
import { requireActor } from '../_lib/session.ts';

export default async function HouseLayout({ children }: { readonly children: ReactNode }) {
  const actor = await requireActor();
  const [notices, waits] = await Promise.all([
    loadNotices(database(), actor.personId),
    sharedLoad('waits', () => loadWaits(database())),
  ]);
  return (
    <div className="flex min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-card focus:p-3">
        To the page
      </a>
      <Nav name={actor.name} initials={actor.initials} notices={notices} waits={waits} />
      <main id="main" className="min-w-0 flex-1 max-sm:pb-16">
        <QueueStrip person={actor.personId} />
        <Uploads>{children}</Uploads>
      </main>
      <Live />
    </div>
  );
}

import type { ReactNode } from 'react';
import { database } from '../../server/db/connection.ts';
import { loadFrame } from '../../server/people/load-frame.ts';
import { Live } from '../../ui/data/live.tsx';
import { Queries } from '../../ui/data/queries.tsx';
import { QueueStrip } from '../../ui/data/queue-strip.tsx';
import { Uploads } from '../../ui/photos/uploads.tsx';
import { Nav } from '../../ui/frame/nav.tsx';
import { requireActor } from '../_lib/session.ts';

export default async function HouseLayout({ children }: { readonly children: ReactNode }) {
  const actor = await requireActor();
  const frame = await loadFrame(database(), actor.personId);
  return (
    <Queries>
      <div className="flex min-h-screen">
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-card focus:p-3"
        >
          To the page
        </a>
        <Nav name={actor.name} initials={actor.initials} frame={frame} />
        <main id="main" className="min-w-0 flex-1 max-sm:pb-16">
          <QueueStrip person={actor.personId} />
          <Uploads>{children}</Uploads>
        </main>
        <Live />
      </div>
    </Queries>
  );
}

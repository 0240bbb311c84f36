import type { ReactNode } from 'react';
import { database } from '../../server/db/connection.ts';
import { loadShop } from '../../server/house/load-shop.ts';
import { lookOnly } from '../../server/keep/look-only.ts';
import { copyState } from '../../server/upkeep/load-upkeep.ts';
import { loadFrame } from '../../server/people/load-frame.ts';
import { ReadBy } from '../../ui/data/read-by.tsx';
import { Live } from '../../ui/data/live.tsx';
import { Queries } from '../../ui/data/queries.tsx';
import { QueueStrip } from '../../ui/data/queue-strip.tsx';
import { Uploads } from '../../ui/photos/uploads.tsx';
import { CopyStrip } from '../../ui/frame/copy-strip.tsx';
import { UpkeepStrip } from '../../ui/frame/upkeep-strip.tsx';
import { Nav } from '../../ui/frame/nav.tsx';
import { madeFrom } from '../_lib/made-from.ts';
import { requireActor } from '../_lib/session.ts';

export default async function HouseLayout({ children }: { readonly children: ReactNode }) {
  const actor = await requireActor();
  const db = database();
  const owner = actor.role === 'owner' && lookOnly() === null;
  const [frame, { heights }, state, { newest, count }] = await Promise.all([
    loadFrame(db, actor.personId),
    loadShop(db),
    owner ? copyState(db, Date.now()) : null,
    madeFrom(),
  ]);
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
          <CopyStrip taken={lookOnly()} />
          {state !== null && <UpkeepStrip state={state} />}
          <QueueStrip person={actor.personId} />
          <ReadBy person={actor.name} heights={heights}>
            <Uploads>{children}</Uploads>
          </ReadBy>
        </main>
        <Live since={`${newest}.${count}`} />
      </div>
    </Queries>
  );
}

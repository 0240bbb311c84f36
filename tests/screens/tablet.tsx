import { configure } from '@testing-library/dom';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { AppRouterContext } from 'next/dist/shared/lib/app-router-context.shared-runtime.js';
import {
  PathnameContext,
  SearchParamsContext,
} from 'next/dist/shared/lib/hooks-client-context.shared-runtime.js';
import type { ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { loadShop } from '../../src/server/house/load-shop.ts';
import { loadOpening } from '../../src/server/house/opening.ts';
import { logPosition } from '../../src/server/live/feed.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { ReadBy } from '../../src/ui/data/read-by.tsx';
import { Live } from '../../src/ui/data/live.tsx';
import { OWN } from '../../src/ui/data/refresh.ts';
import { Queries } from '../../src/ui/data/queries.tsx';
import { QueueStrip } from '../../src/ui/data/queue-strip.tsx';
import { ShopDays } from '../../src/ui/kit/shop-days.tsx';
import { Uploads } from '../../src/ui/photos/uploads.tsx';
import { signedIn } from '../signed-in.ts';
import { allAnswered, asked, asking } from './asking.ts';
import { HouseEvents } from './house-events.ts';
import { askHouse, pageAt } from './routes.ts';
import { SameThreadWorker } from './same-thread-worker.ts';

// What is hidden from a reader of the screen is a matter of the browser tests: asking for it here takes most of the time.
configure({
  defaultHidden: true,
  asyncUtilTimeout: 240_000,
  getElementError: (message) => new Error((message ?? 'not found').split('\n')[0]),
});

/** Signs somebody in on a tablet of their own; it is the one that asks from then on. */
async function signIn(db: Database, { personId, name }: Actor): Promise<void> {
  const cookies = await signedIn(db, personId, `${name}’s tablet`);
  asking.cookies = new Map(cookies.map((c) => [c.name, c.value]));
}

/** The page that is shown, and how it is made anew. */
interface Shown {
  readonly db: Database;
  readonly person: number;
  path: string;
  readonly put: (tree: ReactNode) => void;
  readonly end: () => void;
}
let shown: Shown | null = null;

/** Takes away what is shown: what is still under way for it shows nothing any more. */
function takeAway(): void {
  const was = shown;
  shown = null;
  was?.end();
}

/** Makes the page that is shown once more, or another in its place, as the router does. */
async function remake(path: string | null = null): Promise<void> {
  const now = shown;
  if (!now) return;
  now.path = path ?? now.path;
  const tree = await asked(housed(now.db, now.person, now.path));
  if (shown === now) now.put(tree);
}

const router = {
  push: (path: string) => void remake(path),
  replace: (path: string) => void remake(path),
  refresh: () => void remake(),
  prefetch: () => undefined,
  back: () => undefined,
  forward: () => undefined,
};

/** A page of the house with what stands round every page: queries, the queue, what is live. */
async function housed(db: Database, person: number, path: string): Promise<ReactNode> {
  const url = new URL(path, asking.base);
  window.history.replaceState(null, '', path);
  const { newest, count } = await logPosition(db);
  const page = await pageAt(url.pathname, url.searchParams);
  const [{ zone, dates, heights }, { opening }, reader] = await Promise.all([
    loadShop(db),
    loadOpening(db),
    db.models.Person.findByPk(person, { rejectOnEmpty: true }),
  ]);
  return (
    <AppRouterContext.Provider value={router as never}>
      <PathnameContext.Provider value={url.pathname}>
        <SearchParamsContext.Provider value={url.searchParams}>
          <ShopDays days={{ zone, dates, opening }}>
            <Queries>
              <main id="main">
                <QueueStrip person={person} />
                <ReadBy person={reader.name} heights={heights}>
                  <Uploads key={url.pathname}>{page}</Uploads>
                </ReadBy>
              </main>
              <Live since={`${newest}.${count}`} />
            </Queries>
          </ShopDays>
        </SearchParamsContext.Provider>
      </PathnameContext.Provider>
    </AppRouterContext.Provider>
  );
}

/** Shows the page at a path as a tablet loads it: what the tablet keeps stands, all else begins anew. */
export async function load(db: Database, person: number, path: string): Promise<UserEvent> {
  takeAway();
  OWN.forget();
  for (const world of [globalThis, window])
    Object.assign(world, { fetch: askHouse, EventSource: HouseEvents, Worker: SameThreadWorker });
  const tree = await housed(db, person, path);
  const place = document.body.appendChild(document.createElement('div'));
  const root = createRoot(place);
  shown = {
    db,
    person,
    path,
    put: (next) => root.render(next),
    end: () => {
      root.unmount();
      place.remove();
    },
  };
  flushSync(() => root.render(tree));
  return userEvent.setup({ delay: null, pointerEventsCheck: 0 });
}

/** Shows a page on a tablet of somebody's own, which kept nothing yet. */
export async function show(db: Database, actor: Actor, path: string): Promise<UserEvent> {
  localStorage.clear();
  sessionStorage.clear();
  await signIn(db, actor);
  return load(db, actor.personId, path);
}

/** The database that the house's routes use, for the time of a file of tests. */
export function serveFrom(name: string): void {
  const before = process.env['RUBRICA_DATABASE_URL'];
  process.env['RUBRICA_DATABASE_URL'] = (process.env['RUBRICA_TEST_SERVER'] ?? '').replace(
    '{database}',
    `rubrica_${name}`,
  );
  const holder = globalThis as { [key: symbol]: Database | undefined };
  const key = Symbol.for('rubrica.database');
  holder[key] = openDatabase(process.env['RUBRICA_DATABASE_URL']);
  afterEach(takeAway);
  afterAll(async () => {
    takeAway();
    await allAnswered();
    await holder[key]?.sequelize.close();
    holder[key] = undefined;
    if (before === undefined) delete process.env['RUBRICA_DATABASE_URL'];
    else process.env['RUBRICA_DATABASE_URL'] = before;
  });
}

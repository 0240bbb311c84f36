import { ExpirationPlugin, NetworkFirst, Serwist, type PrecacheEntry, type SerwistPlugin } from 'serwist';
import { isKeptPage, KEPT_PAGES, type ToWorker } from './kept-pages.ts';
import { notKeptPage } from './not-kept-page.ts';

declare const self: ServiceWorkerGlobalScope & { readonly __SW_MANIFEST: (PrecacheEntry | string)[] };

const DAY_S = 86_400;
const MOST_KEPT = 300;
/** A house that does not answer so long is taken for away: what was shown last is better than a blank page. */
const PATIENCE_S = 8;
/** A page kept so short a while ago is not asked for again. */
const FRESH_MS = 60_000;

/** Only what the house answered as itself is kept: a page, at its own address, not the way to sign in. */
const isWholePage = (answer: Response): boolean =>
  answer.status === 200 &&
  !answer.redirected &&
  (answer.headers.get('content-type') ?? '').startsWith('text/html');

/** Pages and their pictures stand in one store: who signs out takes all of it away. */
const expires = () => new ExpirationPlugin({ maxEntries: MOST_KEPT, maxAgeSeconds: 14 * DAY_S });

const pages = new NetworkFirst({
  cacheName: KEPT_PAGES,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [
    expires(),
    { cacheWillUpdate: ({ response }) => Promise.resolve(isWholePage(response) ? response : null) },
    { handlerDidError: () => notKept() },
  ],
});

/** What is said in the place of a page that was never shown on this tablet: what is kept, to go to. */
async function notKept(): Promise<Response> {
  const cache = await caches.open(KEPT_PAGES);
  const shown = (await cache.keys()).map(({ url }) => new URL(url).pathname).filter(isKeptPage);
  const kept = await Promise.all(
    shown.map(async (path) => {
      const text = await (await cache.match(path))?.text();
      return { path, title: /<title>([^<]*)<\/title>/.exec(text ?? '')?.[1] ?? '' };
    }),
  );
  return new Response(notKeptPage(kept), {
    status: 503,
    headers: {
      'Content-Type': 'text/html; charset=utf-8',
      'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
    },
  });
}

/**
 * A script of a page's worker is told what it belongs to by its address, fragment and all: only an answer without an address of its
 * own leaves it that one.
 */
const keepsAddress: SerwistPlugin = {
  handlerWillRespond: ({ request, response: { body, status, statusText, headers }, response }) =>
    Promise.resolve(
      request.destination === 'worker' ? new Response(body, { status, statusText, headers }) : response,
    ),
};

const worker = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { plugins: [keepsAddress] },
  // Another version waits until somebody takes it: nothing that is being typed is in its way.
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && isKeptPage(url.pathname),
      handler: pages,
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/photo/'),
      handler: new NetworkFirst({
        cacheName: KEPT_PAGES,
        networkTimeoutSeconds: PATIENCE_S,
        plugins: [expires()],
      }),
    },
  ],
});

/** Keeps a page that is shown without having been asked for whole, as when one went there by a link. */
async function keepPage(path: string): Promise<void> {
  if (!isKeptPage(path)) return;
  const cache = await caches.open(KEPT_PAGES);
  const known = await cache.match(path);
  const since = Date.now() - Date.parse(known?.headers.get('date') ?? '1970-01-01');
  if (since < FRESH_MS) return;
  const answer = await fetch(path, { headers: { Accept: 'text/html' } });
  if (isWholePage(answer)) await cache.put(path, answer);
}

self.addEventListener('message', (event) => {
  const said = event.data as ToWorker;
  if (said.kind === 'keep') event.waitUntil(keepPage(said.path).catch(() => undefined));
  if (said.kind === 'take over') void self.skipWaiting();
});

worker.addEventListeners();

import { Hono, type Context } from 'hono';
import { houseLog } from '../../server/keep/log.ts';
import { NOT_KEPT, RUNS_NOTHING, STRICT } from '../_lib/strict-headers.ts';
import { ADDRESSES, METHODS, type Address, type Handlers, type Method } from './addresses.ts';

const HEADERS = Object.entries({ ...STRICT, ...NOT_KEPT, ...RUNS_NOTHING });

/** What may be done at an address, as a browser or a person who tries it asks. */
function allowed(handlers: Handlers): string {
  const given: readonly string[] = METHODS.filter((m) => handlers[m] !== undefined);
  return [...given, ...(given.includes('GET') && !given.includes('HEAD') ? ['HEAD'] : []), 'OPTIONS'].join(
    ', ',
  );
}

/** Answers at one address; what its handler throws is written to the house's log, by the address's pattern and not by what stood in it. */
async function answerAt({ pattern, load }: Address, c: Context): Promise<Response> {
  try {
    const handlers = await load();
    const { raw } = c.req;
    const handler = handlers[raw.method as Method] ?? (raw.method === 'HEAD' ? handlers.GET : undefined);
    if (handler) {
      const said = await handler(raw, { params: c.req.param() });
      // Nobody reads what stands in it: a stream that went on would be kept for no one.
      if (raw.method === 'HEAD') await said.body?.cancel();
      return said;
    }
    return new Response(null, {
      status: raw.method === 'OPTIONS' ? 204 : 405,
      headers: { Allow: allowed(handlers) },
    });
  } catch (error) {
    houseLog().error('a request failed', { error, at: `/api/${pattern}` });
    return new Response('Something failed here. It stands in the log.', { status: 500 });
  }
}

const variables = (pattern: string): number => pattern.split(':').length;

/** The router: an address that is written out comes before one that takes anything in its place. */
const router = new Hono();
for (const address of ADDRESSES.toSorted((a, b) => variables(a.pattern) - variables(b.pattern)))
  router.all(`/api/${address.pattern}`, (c) => answerAt(address, c));
router.notFound(() => new Response('There is no such address.', { status: 404 }));

/** Answers what programs ask below `/api/`. */
export async function answer(request: Request): Promise<Response> {
  const said = await router.fetch(request);
  for (const [name, value] of HEADERS) if (!said.headers.has(name)) said.headers.set(name, value);
  return said;
}

const KEY = Symbol.for('rubrica.answer');
type Holder = { [KEY]?: typeof answer };

/** Makes the answers known to the process that serves them: pages are a separate instance of every module. */
export function offerAnswers(): void {
  (globalThis as Holder)[KEY] = answer;
}

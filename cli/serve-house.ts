/**
 * Serves the built application on 127.0.0.1, as a process of its own: `node cli/serve-house.ts PORT`. What programs ask below
 * `/api/` is answered straight; Next makes the pages and hands out their files.
 */
import { getRequestListener } from '@hono/node-server';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { join } from 'node:path';
import next from 'next';

type Answers = (request: Request) => Promise<Response>;
const KEY = Symbol.for('rubrica.answer');

const hostname = '127.0.0.1';
const port = Number(process.argv[2]);
const app = next({ dev: false, dir: join(import.meta.dirname, '..'), hostname, port });
await app.prepare();

const page = app.getRequestHandler();

let ask: ReturnType<typeof getRequestListener> | null = null;
/** What answers programs. Next offers it when it begins, which is with the first request: that one it answers itself. */
function answers(): typeof ask {
  const answer = (globalThis as { readonly [KEY]?: Answers })[KEY];
  if (answer) ask ??= getRequestListener(answer, { overrideGlobalObjects: false });
  return ask;
}

/** Pages that fail are answered by Next; what it throws beyond that ends in words, not in the process. */
async function serve(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const straight = request.url?.startsWith('/api/') ? answers() : null;
  if (straight) return straight(request, response);
  await page(request, response).catch((error: unknown) => {
    console.error(error);
    if (!response.headersSent) response.writeHead(500);
    response.end();
  });
}

const server = createServer((request, response) => void serve(request, response));
server.once('error', (error) => {
  console.error(error);
  process.exit(1);
});
server.listen(port, hostname);

/** Takes nobody new, ends what is under way, and goes. Open streams are ended by the house itself. */
function end(code: number): void {
  server.close(() => process.exit(code));
  server.closeIdleConnections();
}
process.once('SIGTERM', () => end(143));
process.once('SIGINT', () => end(130));

import { Agent, get, request } from 'node:http';

const AGENT = new Agent({ keepAlive: true });

/** A connection that was kept open and has been closed by the other side just then: nothing of what was asked was heard. */
const wasClosed = (e: unknown): boolean => {
  const { cause } = e as { readonly cause?: { readonly code?: string } };
  return cause?.code === 'ECONNRESET' || cause?.code === 'UND_ERR_SOCKET';
};

/** Asks a server; once more on a new connection where the kept one was closed meanwhile. Commands carry their id, so none is done twice. */
export async function ask(address: string, init?: RequestInit): Promise<Response> {
  try {
    return await fetch(address, init);
  } catch (e) {
    if (!wasClosed(e)) throw e;
    return fetch(address, init);
  }
}

/**
 * Gives a command as a tablet does, and reads what is answered; the tablet's own work is not the house's. Once more where a kept
 * connection was closed meanwhile: commands carry their id, so none is done twice.
 */
export const command = (base: string, cookie: string, body: unknown, isFirst = true): Promise<unknown> =>
  new Promise((resolve, reject) => {
    const text = JSON.stringify(body);
    const headers = {
      cookie,
      origin: base,
      'Content-Type': 'application/json',
      'Content-Length': Buffer.byteLength(text),
    };
    const sent = request(`${base}/api/command`, { method: 'POST', headers, agent: AGENT }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part)).on('error', reject);
      answer.on('end', () => {
        try {
          resolve(JSON.parse(Buffer.concat(parts).toString()));
        } catch (error) {
          reject(error as Error);
        }
      });
    });
    sent.on('error', (error: NodeJS.ErrnoException) => {
      if (!isFirst || !sent.reusedSocket || error.code !== 'ECONNRESET') return reject(error);
      command(base, cookie, body, false).then(resolve, reject);
    });
    sent.end(text);
  });

/** Fetches what a page shows, as the page does by itself; drawing it is the tablet's own work. */
export const contents = (url: string, cookie: string): Promise<void> =>
  new Promise((resolve, reject) => {
    const headers = { cookie, ...(!url.includes('/api/') && { rsc: '1' }) };
    get(url, { headers, agent: AGENT }, (answer) => {
      if (answer.statusCode !== 200) reject(new Error(`${url} answered ${answer.statusCode ?? 0}`));
      answer.on('end', resolve).on('error', reject).resume();
    }).on('error', reject);
  });

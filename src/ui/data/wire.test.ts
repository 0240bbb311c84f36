/** Whether the house refused, had a fault, or was not heard: told apart by what came back. */
import { readReply } from './wire.ts';

const json = (status: number, body: unknown): Response => Response.json(body, { status });

test.each([
  ['done', json(200, { ok: true, value: { version: 3 } }), 'done'],
  ['a refusal', json(409, { ok: false, error: { code: 'refused', message: 'Not yet.' } }), 'refused'],
  ['signed out', json(401, { ok: false, error: { code: 'signed-out', message: '' } }), 'refused'],
  ['too large', json(413, { ok: false, error: { code: 'invalid', message: '', fields: {} } }), 'refused'],
  [
    'a fault, written to the log',
    json(500, { ok: false, error: { code: 'fault', request: 'a1b2' } }),
    'fault',
  ],
  ['a fault with a page', new Response('<html>Internal Server Error', { status: 500 }), 'fault'],
  ['a page where an answer was wanted', new Response('<html>', { status: 404 }), 'fault'],
  [
    'an error of the house dressed as a refusal',
    json(500, { ok: false, error: { code: 'refused', message: '' } }),
    'fault',
  ],
  ['nobody behind the door', new Response('Bad Gateway', { status: 502 }), 'away'],
  ['the house is starting', new Response('', { status: 503 }), 'away'],
] as const)('%s', async (_, answer, kind) => {
  expect((await readReply(answer)).kind).toBe(kind);
});

test('a fault says where it is found in the log, and not that there was no connection', async () => {
  const reply = await readReply(json(500, { ok: false, error: { code: 'fault', request: 'a1b2' } }));
  if (reply.kind !== 'fault') throw new Error(reply.kind);
  expect(reply.error.message).toContain('500, a1b2');
  expect(reply.error.message).not.toMatch(/connection/i);
});

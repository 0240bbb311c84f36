import { serialize } from 'hono/utils/cookie';
import { z } from 'zod';
import { database } from '../../../server/db/connection.ts';
import { pairDevice } from '../../../server/people/pair-device.ts';
import { DEVICE_COOKIE } from '../../../server/people/who.ts';
import { MOST, readJson, tooLarge } from '../../_lib/read-body.ts';
import { tooOften } from '../../_lib/pace.ts';
import { sameOrigin, secureCookies } from '../../_lib/same-origin.ts';

const asked = z.object({ code: z.string().trim().min(1).max(40), name: z.string().trim().min(1).max(80) });
const YEAR_S = 365 * 24 * 3600;

/** Pairs this device with the shop by a code. */
export async function POST(request: Request): Promise<Response> {
  const no = (message: string, status: number) =>
    Response.json({ ok: false, error: { code: 'refused', message } }, { status });
  if (!sameOrigin(request)) return no('This request comes from elsewhere.', 403);
  const often = await tooOften('pair', 'anybody');
  if (often) return often;
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return tooLarge();
  const read = asked.safeParse(body.value);
  if (!read.success) return no('Type the code and a name for this device.', 422);
  const done = await pairDevice(database(), read.data.code, read.data.name, new Date());
  if (!done.ok) return no(done.error.message, 403);
  const kept = serialize(DEVICE_COOKIE, done.value.token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: secureCookies(request),
    path: '/',
    maxAge: YEAR_S,
  });
  return Response.json({ ok: true }, { headers: { 'Set-Cookie': kept } });
}

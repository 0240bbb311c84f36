import { serialize } from 'hono/utils/cookie';
import { z } from 'zod';
import { database } from '../../../server/db/connection.ts';
import { signIn, signOut } from '../../../server/people/sign-in.ts';
import { SESSION_COOKIE } from '../../../server/people/who.ts';
import { MOST, readJson, tooLarge } from '../../_lib/read-body.ts';
import { tooOften } from '../../_lib/pace.ts';
import { tokenHash } from '../../../server/people/tokens.ts';
import { cookiesOf } from '../../_lib/request-actor.ts';
import { sameOrigin, secureCookies } from '../../_lib/same-origin.ts';

const asked = z.object({
  personId: z.number().int().positive(),
  pin: z.string().regex(/^\d{4,12}$/, 'Four to twelve digits'),
});

const no = (message: string, status: number): Response =>
  Response.json({ ok: false, error: { code: 'refused', message } }, { status });

/** Says yes, with the session's token for the tablet to keep until then. */
const signedIn = (request: Request, token: string, expires: Date): Response =>
  Response.json(
    { ok: true },
    {
      headers: {
        'Set-Cookie': serialize(SESSION_COOKIE, token, {
          httpOnly: true,
          sameSite: 'lax',
          secure: secureCookies(request),
          path: '/',
          expires,
        }),
      },
    },
  );

/** Signs in: a name on a paired device, and its PIN. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return no('This request comes from elsewhere.', 403);
  const { device } = cookiesOf(request.headers);
  if (!device) return no('This device is not paired with the shop.', 403);
  const often = await tooOften('pin', tokenHash(device));
  if (often) return often;
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return tooLarge();
  const read = asked.safeParse(body.value);
  if (!read.success) return no('A PIN has four to twelve digits.', 422);
  const done = await signIn(database(), device, read.data.personId, read.data.pin, new Date());
  if (!done.ok) return no(done.error.message, 403);
  return signedIn(request, done.value.token, done.value.expiresAt);
}

/** Signs out. */
export async function DELETE(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return no('This request comes from elsewhere.', 403);
  const { session } = cookiesOf(request.headers);
  if (session) await signOut(database(), session, new Date());
  return signedIn(request, '', new Date(0));
}

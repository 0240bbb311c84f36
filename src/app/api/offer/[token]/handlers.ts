import { optionChoice } from '../../../../contracts/commands/plan/option-choice.ts';
import { z } from 'zod';
import { database } from '../../../../server/db/connection.ts';
import { wakeFeed } from '../../../../server/live/feed.ts';
import { answerOffer, openOffer } from '../../../../server/plan/offers.ts';
import { MOST, readJson, tooLarge } from '../../../_lib/read-body.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { tokenHash } from '../../../../server/people/tokens.ts';
import { sameOrigin } from '../../../_lib/same-origin.ts';
import type { At } from '../../../_lib/address.ts';

const body = z.object({
  choice: optionChoice,
  by: z.string().trim().min(1).max(120),
  note: z.string().trim().max(400),
});

/** The customer's answer by their link: the token is the permission, and it is good for this alone. */
export async function POST(request: Request, { params }: At<'token'>): Promise<Response> {
  if (!sameOrigin(request))
    return Response.json({ ok: false, message: 'This request comes from elsewhere.' }, { status: 403 });
  const { token } = params;
  const often = await tooOften('link', tokenHash(token));
  if (often) return often;
  if (!(await openOffer(database(), token, new Date())))
    return Response.json(
      { ok: false, message: 'This link opens nothing any more. Call the shop.' },
      { status: 409 },
    );
  const sent = await readJson(request, MOST.few);
  if (sent.tooLarge) return tooLarge();
  const read = body.safeParse(sent.value);
  if (!read.success)
    return Response.json({ ok: false, message: 'Choose one and write your name.' }, { status: 422 });
  const done = await answerOffer(database(), token, read.data, new Date());
  if (done.ok) wakeFeed();
  return Response.json(done, { status: done.ok ? 200 : 409 });
}

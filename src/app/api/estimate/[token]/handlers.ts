import { optionChoice } from '../../../../contracts/commands/plan/option-choice.ts';
import { z } from 'zod';
import { answerEstimate, askByLink, chooseByLink } from '../../../../server/customer/estimate.ts';
import { openLink } from '../../../../server/links/customer-link.ts';
import { database } from '../../../../server/db/connection.ts';
import { wakeFeed } from '../../../../server/live/feed.ts';
import { MOST, readJson, tooLarge } from '../../../_lib/read-body.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { tokenHash } from '../../../../server/people/tokens.ts';
import { sameOrigin } from '../../../_lib/same-origin.ts';
import type { At } from '../../../_lib/address.ts';

const by = z.string().trim().min(1, 'Write your name.').max(120);
const body = z.union([
  z.object({
    lineId: z.number().int().positive(),
    version: z.number().int().min(0),
    answer: z.enum(['yes', 'no']),
    by,
  }),
  z.object({
    choice: optionChoice,
    by,
    note: z.string().trim().max(400),
  }),
  z.object({ words: z.string().trim().min(1).max(1000), by }),
]);

/** What a customer says by their link: yes or no to a line, one of the options, or a question. The token is the permission for this alone. */
export async function POST(request: Request, { params }: At<'token'>): Promise<Response> {
  if (!sameOrigin(request))
    return Response.json({ ok: false, message: 'This request comes from elsewhere.' }, { status: 403 });
  const { token } = params;
  const often = await tooOften('link', tokenHash(token));
  if (often) return often;
  if (!(await openLink(database(), token, null, new Date())))
    return Response.json(
      { ok: false, message: 'This link opens nothing any more. Call the shop.' },
      { status: 409 },
    );
  const sent = await readJson(request, MOST.few);
  if (sent.tooLarge) return tooLarge();
  const read = body.safeParse(sent.value);
  if (!read.success)
    return Response.json({ ok: false, message: 'Write your name, and what you say.' }, { status: 422 });
  const said = read.data;
  const [db, now] = [database(), new Date()];
  const done =
    'words' in said
      ? await askByLink(db, token, said, now)
      : 'choice' in said
        ? await chooseByLink(db, token, said, now)
        : await answerEstimate(db, token, said, now);
  if (done.ok) wakeFeed();
  return Response.json(done, { status: done.ok ? 200 : 409 });
}

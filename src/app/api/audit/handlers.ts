import { z } from 'zod';
import { toHouseHistoryCsv } from '../../../contracts/formats/history.ts';
import { addDays, startOfDay } from '../../../core/days/zone.ts';
import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { loadHouseHistory } from '../../../server/jobs/load-history.ts';
import { noteFileGiven } from '../../../server/privacy/note-file-given.ts';
import { currentActor } from '../../_lib/request-actor.ts';

const asked = z.object({ from: z.iso.date(), to: z.iso.date() }).refine((a) => a.from <= a.to);

/** The house’s log between two of the shop’s days, both with it, as CSV; that it was taken out stands in it. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner takes this out.', { status: 403 });
  const days = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!days.success) return new Response('From and to are days, the earlier first.', { status: 400 });
  const db = database();
  const { zone } = await loadShop(db);
  const { from, to } = days.data;
  const entries = await loadHouseHistory(
    db,
    new Date(startOfDay(from, zone)),
    new Date(startOfDay(addDays(to, 1), zone)),
  );
  await noteFileGiven(db, actor, null, new Date());
  return new Response(toHouseHistoryCsv(entries), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': `attachment; filename="log-${from}-to-${to}.csv"`,
    },
  });
}

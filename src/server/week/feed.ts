import { refuse } from '../../contracts/failure.ts';
import { calendarFeed, type CalendarEntry } from '../../core/messages/calendar.ts';
import { fail, ok } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import { loadShop } from '../house/load-shop.ts';
import { lookOnly } from '../keep/look-only.ts';
import { withoutToken } from '../people/secret-answer.ts';
import { tokenHash, tokenOfCommand } from '../people/tokens.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { loadWeek } from './load-week.ts';

const NOT_YOURS = refuse('Everybody makes and ends the link of their own calendar.');

/** Makes the link of one's own calendar; its token is told once and kept as its hash. */
export const makeFeed = defineUseCase({
  name: 'week.feed',
  secret: withoutToken,
  run: async (work, { personId }) => {
    const { models, t, actor, now } = work;
    if (personId !== actor.personId) return fail(NOT_YOURS);
    const token = tokenOfCommand(work.commandId);
    await models.WeekFeed.upsert(
      { personId: actor.personId, tokenHash: tokenHash(token), madeAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'calendar link made',
      entity: 'person',
      entityId: actor.personId,
      fromVersion: null,
      data: {},
    });
    return ok({ token });
  },
});

/** Ends it. */
export const endFeed = defineUseCase({
  name: 'week.end-feed',
  run: async (work, { personId }) => {
    const { models, t, actor } = work;
    if (personId !== actor.personId) return fail(NOT_YOURS);
    const gone = await models.WeekFeed.destroy({ where: { personId: actor.personId }, transaction: t });
    if (gone > 0)
      await recordEvent(work, {
        jobId: null,
        kind: 'calendar link ended',
        entity: 'person',
        entityId: actor.personId,
        fromVersion: null,
        data: {},
      });
    return ok({ ended: gone > 0 });
  },
});

const MINUTE = 60_000;

/** Somebody's steps of the next weeks as a calendar, by their link; null where it opens nothing, or they have left. */
export async function feedOf(db: Database, token: string, now: Date = new Date()): Promise<string | null> {
  if (!/^[\w-]{43}$/.test(token) || lookOnly() !== null) return null;
  const feed = await db.models.WeekFeed.findOne({ where: { tokenHash: tokenHash(token) } });
  const person = feed && (await db.models.Person.findByPk(feed.personId));
  if (!person?.active) return null;
  const [week, shop] = await Promise.all([loadWeek(db, now), loadShop(db)]);
  const jobs = new Map(week.jobs.map((j) => [j.id, j]));
  const entries = week.steps
    .filter((s) => s.worker === person.id)
    .flatMap((s) =>
      s.pieces.map(([from, to], i): CalendarEntry => ({
        uid: `${s.id.replace(/:/g, '-')}-${i}@rubrica.invalid`,
        summary: `${jobs.get(s.job)?.number ?? ''} ${s.title}${s.guess ? ' (likely)' : ''}`,
        description: jobs.get(s.job)?.title ?? '',
        where: week.spots.find((p) => p.id === s.spot)?.name ?? shop.name,
        at: from,
        minutes: Math.round((to - from) / MINUTE),
        stamp: now.getTime(),
      })),
    );
  return calendarFeed(`${person.name}, ${shop.name}`, shop.zone, entries);
}

import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';

const DAY_MS = 86_400_000;
/** A command that waited on a tablet is carried out up to two days later; its answer is kept well beyond that. */
const ANSWERS_DAYS = 14;
const SESSIONS_DAYS = 30;
const PRESENCE_DAYS = 1;
const FAILURES_DAYS = 90;

/** Throws away what only serves for a while: answers kept for a repeat, sessions long ended, where tablets once were, what failed long ago. */
export async function sweep({ models }: Database, now: Date): Promise<void> {
  const before = (days: number) => ({ [Op.lt]: new Date(now.getTime() - days * DAY_MS) });
  await models.CommandRow.destroy({ where: { at: before(ANSWERS_DAYS) } });
  await models.Session.destroy({ where: { expiresAt: before(SESSIONS_DAYS) } });
  await models.Presence.destroy({ where: { seenAt: before(PRESENCE_DAYS) } });
  await models.FailureRow.destroy({ where: { lastAt: before(FAILURES_DAYS) } });
}

import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Away, ExtraHours } from './working-time.ts';

/** Who is not here on a day or later, soonest first. */
export async function loadAway(
  { models }: Pick<Database, 'models'>,
  today: string,
): Promise<readonly (Away & { readonly id: number; readonly why: string })[]> {
  const rows = await models.Absence.findAll({
    where: { takenBackAt: null },
    order: [
      ['firstDay', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows
    .filter((a) => a.lastDay >= today)
    .map((a) => ({ id: a.id, personId: a.personId, firstDay: a.firstDay, lastDay: a.lastDay, why: a.why }));
}

/** Hours beside somebody's own, on a day or later, soonest first. */
export async function loadExtraHours(
  { models }: Pick<Database, 'models'>,
  today: string,
): Promise<readonly (ExtraHours & { readonly id: number })[]> {
  const rows = await models.ExtraHours.findAll({
    where: { takenBackAt: null, day: { [Op.gte]: today } },
    order: [
      ['day', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(({ id, personId, day, fromMinute, toMinute }) => ({
    id,
    personId,
    day,
    from: fromMinute,
    to: toMinute,
  }));
}

import type { Skill } from '../../core/catalogue/operation-record.ts';
import type { WeekHours } from '../../core/days/opening.ts';
import type { Database } from '../db/connection.ts';

/** Everybody of the shop, those who left last. */
export async function loadPeople({ models }: Pick<Database, 'models'>) {
  const all = await models.Person.findAll({
    order: [
      ['active', 'DESC'],
      ['name', 'ASC'],
    ],
  });
  return all.map(({ id, name, initials, role, skill, hours, active, version }) => ({
    id,
    name,
    initials,
    role,
    skill: skill as Skill,
    hours: hours as WeekHours | null,
    active,
    version,
  }));
}

export type LoadedPerson = Awaited<ReturnType<typeof loadPeople>>[number];

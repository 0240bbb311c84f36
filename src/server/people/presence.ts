import { Op } from 'sequelize';
import type { Leaf } from '../../core/job/leaves.ts';
import type { Database } from '../db/connection.ts';
import type { Actor } from '../use-case/use-case.ts';

/** Somebody on a job just now: on which leaf, and at which item of its checklist. */
export interface PresentPerson {
  readonly name: string;
  readonly initials: string;
  readonly leaf: string;
  readonly item: string;
}

const GONE_MS = 20_000;

/** Notes where a tablet is and says who else is on that job. Nothing of it is kept: the next place replaces it. */
export async function beHere(
  { models }: Database,
  actor: Actor,
  where: { readonly number: number; readonly leaf: Leaf; readonly item: string },
  now: Date,
): Promise<PresentPerson[]> {
  await models.Presence.upsert({
    deviceId: actor.deviceId,
    personId: actor.personId,
    jobNumber: where.number,
    leaf: where.leaf,
    item: where.item,
    seenAt: now,
  });
  const rows = await models.Presence.findAll({
    where: {
      jobNumber: where.number,
      seenAt: { [Op.gt]: new Date(now.getTime() - GONE_MS) },
      deviceId: { [Op.ne]: actor.deviceId },
      personId: { [Op.ne]: actor.personId },
    },
    order: [['deviceId', 'ASC']],
  });
  const people =
    rows.length === 0 ? [] : await models.Person.findAll({ where: { id: rows.map((r) => r.personId) } });
  return rows.flatMap(({ personId, leaf, item }) => {
    const person = people.find((p) => p.id === personId);
    return person ? [{ name: person.name, initials: person.initials, leaf, item }] : [];
  });
}

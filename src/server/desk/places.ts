import { QueryTypes } from 'sequelize';
import { invalidField, type Failure } from '../../contracts/failure.ts';
import type { PlaceWithJob } from '../../core/job/views/leaves.ts';
import type { Database } from '../db/connection.ts';
import type { Work } from '../use-case/use-case.ts';

/** The shop's places in their order, each with the open job that hangs there. */
export const placesWithJobs = ({ sequelize }: Pick<Database, 'sequelize'>): Promise<PlaceWithJob[]> =>
  sequelize.query<PlaceWithJob>(
    `SELECT p.id, p.name, p.kind, MIN(j.number) AS holds FROM places p
     LEFT JOIN jobs j ON j.place_id = p.id AND j.state = 'open' GROUP BY p.id ORDER BY p.sort`,
    { type: QueryTypes.SELECT },
  );

/**
 * Whether an instrument may hang at a place: nothing hangs there, or it was said that both do. The place is held until
 * the change is done, so that two who hang something there at once hear of each other.
 * @returns null when it may, else what to say at the field
 */
export async function placeTaken(
  { models, t }: Pick<Work, 'models' | 't'>,
  placeId: number | null,
  jobId: number | null,
  together: boolean,
): Promise<Failure | null> {
  if (placeId === null || together) return null;
  const place = await models.Place.findByPk(placeId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!place) return invalidField('placeId', 'There is no such place.');
  const there = await models.Job.findAll({ where: { placeId, state: 'open' }, transaction: t });
  const other = there.find((j) => j.id !== jobId);
  return other
    ? invalidField(
        'placeId',
        `${other.number} hangs at ${place.name} already. Choose another place, or say that both do.`,
      )
    : null;
}

import { isSeason } from '../../core/learn/season.ts';
import type { Database } from '../db/connection.ts';
import { airOfHouse, airWeeks } from './house-air.ts';

/** The air of the shop: week by week, over the year, and the files of its logger. */
export async function loadAir(db: Database) {
  const weeks = await airWeeks(db);
  const [season, logs, people] = await Promise.all([
    airOfHouse(db, weeks),
    db.models.AirLog.findAll({ order: [['id', 'DESC']] }),
    db.models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  return {
    weeks,
    season: isSeason(season) ? season : null,
    logs: logs.map((l) => ({
      id: l.id,
      name: l.name,
      hours: l.hours,
      from: l.fromAt.toISOString(),
      to: l.toAt.toISOString(),
      by: people.find((p) => p.id === l.broughtBy)?.name ?? '',
      at: l.broughtAt.toISOString(),
    })),
  };
}

export type LoadedAir = Awaited<ReturnType<typeof loadAir>>;

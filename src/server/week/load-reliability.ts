import { QueryTypes } from 'sequelize';
import { dayIn } from '../../core/days/zone.ts';
import { reliability, type Reliability } from '../../core/schedule/reliability.ts';
import type { Database } from '../db/connection.ts';

/** The last promise of each job that is done and was promised with a chance; ready is when its bench check was, else its end. */
const PROMISES_SQL = `SELECT DATE_FORMAT(p.day, '%Y-%m-%d') AS day, p.chance, COALESCE(h.checked_at, j.closed_at) AS ready
  FROM promises p JOIN jobs j ON j.id = p.job_id LEFT JOIN hand_overs h ON h.job_id = j.id
  WHERE j.state = 'closed' AND p.chance IS NOT NULL AND COALESCE(h.checked_at, j.closed_at) IS NOT NULL
  AND p.id = (SELECT MAX(id) FROM promises WHERE job_id = p.job_id) ORDER BY p.id DESC LIMIT 2000`;

/** How the shop's promises came out. */
export async function loadReliability(
  { sequelize }: Database,
  zone: string,
): Promise<readonly Reliability[]> {
  const rows = await sequelize.query<{ day: string; chance: string; ready: Date }>(PROMISES_SQL, {
    type: QueryTypes.SELECT,
  });
  return reliability(
    rows.map((r) => ({
      day: r.day,
      chance: Number(r.chance),
      ready: dayIn(new Date(r.ready).getTime(), zone),
    })),
  );
}

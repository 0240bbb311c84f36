import { QueryTypes } from 'sequelize';
import type { Database } from '../db/connection.ts';

const LATELY_MS = 60 * 60_000;

const SQL = `SELECT DISTINCT j.number FROM work_lines l JOIN jobs j ON j.id = l.job_id
  WHERE l.finished_by = ? AND l.finished_at > ? AND j.state = 'open' ORDER BY j.number`;

/** The open jobs a person finished a step of within the hour. */
export async function loadFinishedLately(
  { sequelize }: Pick<Database, 'sequelize'>,
  personId: number,
  now: Date = new Date(),
): Promise<readonly number[]> {
  const rows = await sequelize.query<{ number: number }>(SQL, {
    type: QueryTypes.SELECT,
    replacements: [personId, new Date(now.getTime() - LATELY_MS)],
  });
  return rows.map((r) => r.number);
}

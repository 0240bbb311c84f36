import { QueryTypes } from 'sequelize';
import type { Database } from '../db/connection.ts';

export interface BenchStep {
  readonly number: number;
  readonly instrument: string;
  readonly lineId: number;
  readonly title: string;
  readonly detail: string;
  readonly step: 'running' | 'paused' | 'ready';
  readonly mine: boolean;
}

interface Row {
  number: number;
  maker: string;
  model: string;
  lineId: number;
  title: string;
  detail: string;
  step: BenchStep['step'];
  mine: number;
}

/**
 * The agreed steps a person could do now: their running one first, then their own jobs, then nobody's. What rests, as glue does or a
 * neck under tension, is in nobody's hands until it has rested.
 */
export async function loadBench(
  { sequelize }: Database,
  personId: number,
  now: Date = new Date(),
): Promise<BenchStep[]> {
  const rows = await sequelize.query<Row>(
    `SELECT j.number, i.maker, i.model, l.id AS lineId, l.title, l.detail, l.step,
       (j.holder_id = ? OR EXISTS (SELECT 1 FROM time_entries e WHERE e.line_id = l.id AND e.person_id = ? AND e.ended_at IS NULL)) AS mine
     FROM work_lines l JOIN jobs j ON j.id = l.job_id JOIN instruments i ON i.id = j.instrument_id
     WHERE j.state = 'open' AND l.approval = 'yes' AND l.step <> 'finished' AND (j.holder_id IS NULL OR j.holder_id = ?)
       AND (j.waiting_for <> 'time' OR j.waiting_until <= ? OR l.step <> 'ready')
     ORDER BY l.step = 'running' DESC, mine DESC, j.needed_by IS NULL, j.needed_by, j.number, l.sort, l.id LIMIT 60`,
    { type: QueryTypes.SELECT, replacements: [personId, personId, personId, now] },
  );
  return rows.map((r) => ({
    number: r.number,
    instrument: `${r.maker} ${r.model}`.trim(),
    lineId: r.lineId,
    title: r.title,
    detail: r.detail,
    step: r.step,
    mine: Number(r.mine) === 1,
  }));
}

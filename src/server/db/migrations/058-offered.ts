import type { Sequelize } from 'sequelize';

/** Since when each line stands before the customer as it does; of lines there are, when they were decided or asked for. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    'ALTER TABLE work_lines ADD COLUMN IF NOT EXISTS offered_at DATETIME(3) NULL AFTER asked_at',
  );
  await sequelize.query(
    `UPDATE work_lines l LEFT JOIN decisions d ON d.id = l.decision_id
      SET l.offered_at = COALESCE(l.asked_at, d.decided_at) WHERE l.offered_at IS NULL`,
  );
}

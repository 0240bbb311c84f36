import type { Sequelize } from 'sequelize';

/** What somebody is able to do, and when a tablet was last here and who used it. */
const STEPS = [
  "ALTER TABLE people ADD COLUMN skill VARCHAR(20) NOT NULL DEFAULT 'setup'",
  "UPDATE people SET skill = CASE role WHEN 'desk' THEN 'bench' WHEN 'technician' THEN 'setup' ELSE 'senior' END",
  'ALTER TABLE devices ADD COLUMN seen_at DATETIME(3) NULL, ADD COLUMN seen_by INT UNSIGNED NULL, ADD FOREIGN KEY (seen_by) REFERENCES people(id)',
] as const;

/** Brings a shop to people with a skill and tablets that say when they were last seen. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

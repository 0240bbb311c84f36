import type { Sequelize } from 'sequelize';

/** Messages are claimed while they go, remember what they went by, and are tried again with growing pauses. */
const STEPS = [
  `ALTER TABLE messages ADD COLUMN claim CHAR(36) NULL, ADD COLUMN claimed_until DATETIME(3) NULL,
     ADD COLUMN went_by VARCHAR(20) NOT NULL DEFAULT ''`,
  "UPDATE messages SET went_by = 'simulated' WHERE state = 'delivered'",
] as const;

/** Brings a shop to messages that leave the house. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

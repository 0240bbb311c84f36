import type { Sequelize } from 'sequelize';

/** A customer's telephone number as its digits alone, which a number that is typed is sought in, however it was written. */
const STEPS = [
  `ALTER TABLE customers
    ADD COLUMN phone_digits VARCHAR(40) AS (REGEXP_REPLACE(phone, '[^0-9]', '')) PERSISTENT,
    ADD INDEX customers_by_digits (phone_digits)`,
] as const;

/** Brings a shop to telephone numbers that are found at once. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

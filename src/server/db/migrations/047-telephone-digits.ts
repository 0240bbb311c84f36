import type { Sequelize } from 'sequelize';

/** A telephone number is found by its digits, from its begin and from its end on, without looking at every customer. */
const STEPS = [
  `ALTER TABLE customers
    ADD COLUMN phone_digits VARCHAR(40) AS (LEFT(REGEXP_REPLACE(phone, '[^0-9]', ''), 40)) PERSISTENT,
    ADD COLUMN phone_turned VARCHAR(40) AS (REVERSE(LEFT(REGEXP_REPLACE(phone, '[^0-9]', ''), 40))) PERSISTENT,
    ADD INDEX customers_by_phone (phone_digits, merged_into),
    ADD INDEX customers_by_phone_end (phone_turned, merged_into)`,
] as const;

/** Brings a shop to telephone numbers that are found at once. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

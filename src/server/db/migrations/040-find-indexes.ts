import type { Sequelize } from 'sequelize';

/** A telephone number of so many digits is found from any of them on. */
const DIGITS = 16;
const PURE = "REGEXP_REPLACE(phone, '[^0-9]', '')";
const PARTS = Array.from({ length: DIGITS }, (_, k) => `SUBSTRING(${PURE}, ${k + 1})`).join(', ');

/**
 * What a long list is ordered and narrowed by stands in indexes; a customer's telephone number as its digits from each of them on,
 * one word each: a full-text index of their begins finds any piece of a number, however it was written.
 */
const STEPS = [
  `ALTER TABLE customers
    ADD COLUMN phone_parts VARCHAR(700) AS (CONCAT_WS(' ', ${PARTS})) PERSISTENT,
    ADD INDEX customers_by_name (name)`,
  'ALTER TABLE customers ADD FULLTEXT INDEX customers_phone (phone_parts)',
  'ALTER TABLE instruments ADD INDEX instruments_by_kind (kind)',
] as const;

/** Brings a shop to long lists that come at once. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

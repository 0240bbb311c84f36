import type { Sequelize } from 'sequelize';

/** How many digits of a number are kept for being found. */
const LONGEST = 40;

const digits = (phone: string): string => `LEFT(REGEXP_REPLACE(${phone}, '[^0-9]', ''), ${LONGEST})`;

/** Sets both ways of reading a number from what is written into a row. */
const onWriting = (when: 'INSERT' | 'UPDATE'): string =>
  `CREATE OR REPLACE TRIGGER customers_phone_${when.toLowerCase()} BEFORE ${when} ON customers FOR EACH ROW
    SET NEW.phone_digits = ${digits('NEW.phone')}, NEW.phone_turned = REVERSE(${digits('NEW.phone')})`;

/**
 * A telephone number is found by its digits, from its begin and from its end on, without looking at every customer. They are written
 * by triggers: of generated columns of text the server tells another checksum from one time to the next.
 */
const STEPS = [
  `ALTER TABLE customers
    ADD COLUMN IF NOT EXISTS phone_digits VARCHAR(${LONGEST}) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS phone_turned VARCHAR(${LONGEST}) NOT NULL DEFAULT '',
    ADD INDEX IF NOT EXISTS customers_by_phone (phone_digits, merged_into),
    ADD INDEX IF NOT EXISTS customers_by_phone_end (phone_turned, merged_into)`,
  onWriting('INSERT'),
  onWriting('UPDATE'),
  `UPDATE customers SET phone_digits = ${digits('phone')}, phone_turned = REVERSE(${digits('phone')})`,
] as const;

/** Brings a shop to telephone numbers that are found at once. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

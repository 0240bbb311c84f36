import type { Sequelize } from 'sequelize';

/** A letter to a supplier knows its order; those from before are known by their subject. */
const STEPS = [
  `ALTER TABLE messages ADD COLUMN order_id INT UNSIGNED NULL,
    ADD CONSTRAINT messages_order FOREIGN KEY (order_id) REFERENCES stock_orders (id) ON DELETE SET NULL`,
  `UPDATE messages m JOIN stock_orders o ON m.subject LIKE CONCAT('Order ', o.id, ' of %')
    SET m.order_id = o.id WHERE m.purpose = 'order' AND m.job_id IS NULL`,
] as const;

/** Brings a shop to letters that know their order. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

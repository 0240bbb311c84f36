import type { Sequelize } from 'sequelize';

/**
 * Orders at suppliers with what came of them, what jobs wait for that is not here, and how suppliers are reached. A message may go to a
 * supplier: it is about no job then.
 */
const STEPS = [
  `CREATE TABLE stock_suppliers (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(80) NOT NULL,
    email VARCHAR(160) NOT NULL DEFAULT '',
    days INT UNSIGNED NULL,
    version INT NOT NULL DEFAULT 1,
    UNIQUE INDEX stock_suppliers_by_name (name)) ENGINE=InnoDB`,
  `CREATE TABLE stock_orders (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    supplier VARCHAR(80) NOT NULL,
    note VARCHAR(200) NOT NULL DEFAULT '',
    expected DATE NULL,
    ordered_at DATETIME(3) NULL,
    ordered_how ENUM('','mail','own') NOT NULL DEFAULT '',
    ended_at DATETIME(3) NULL,
    made_by INT UNSIGNED NOT NULL,
    made_at DATETIME(3) NOT NULL,
    version INT NOT NULL DEFAULT 1,
    CONSTRAINT stock_orders_person FOREIGN KEY (made_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE stock_order_rows (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    order_id INT UNSIGNED NOT NULL,
    item_id INT UNSIGNED NOT NULL,
    quantity DECIMAL(8,2) NOT NULL,
    came DECIMAL(8,2) NOT NULL DEFAULT 0,
    UNIQUE INDEX stock_order_rows_once (order_id, item_id),
    INDEX stock_order_rows_by_item (item_id),
    CONSTRAINT stock_order_rows_some CHECK (quantity > 0 AND came >= 0),
    CONSTRAINT stock_order_rows_order FOREIGN KEY (order_id) REFERENCES stock_orders (id),
    CONSTRAINT stock_order_rows_item FOREIGN KEY (item_id) REFERENCES stock_items (id)) ENGINE=InnoDB`,
  `CREATE TABLE stock_wants (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    item_id INT UNSIGNED NOT NULL,
    job_id INT UNSIGNED NOT NULL,
    line_id INT UNSIGNED NULL,
    quantity DECIMAL(8,2) NOT NULL,
    asked_at DATETIME(3) NOT NULL,
    UNIQUE INDEX stock_wants_once (item_id, job_id),
    INDEX stock_wants_by_job (job_id),
    CONSTRAINT stock_wants_some CHECK (quantity > 0),
    CONSTRAINT stock_wants_item FOREIGN KEY (item_id) REFERENCES stock_items (id),
    CONSTRAINT stock_wants_job FOREIGN KEY (job_id) REFERENCES jobs (id),
    CONSTRAINT stock_wants_line FOREIGN KEY (line_id) REFERENCES work_lines (id) ON DELETE CASCADE) ENGINE=InnoDB`,
  'ALTER TABLE messages MODIFY job_id INT UNSIGNED NULL',
  'ALTER TABLE jobs ADD COLUMN waits_for_stock BOOLEAN NOT NULL DEFAULT FALSE',
] as const;

/** Brings a shop to its orders. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

import type { Sequelize } from 'sequelize';

/**
 * What stands on the shop's shelves: items with how many are there, how many wait for each job, and the ledger of everything that
 * happened to them, which nothing changes afterwards.
 */
const STEPS = [
  `CREATE TABLE stock_items (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    sort VARCHAR(20) NOT NULL,
    name VARCHAR(120) NOT NULL,
    facts JSON NOT NULL,
    place VARCHAR(60) NOT NULL DEFAULT '',
    supplier VARCHAR(80) NOT NULL DEFAULT '',
    code VARCHAR(60) NULL,
    least DECIMAL(8,2) NOT NULL DEFAULT 0,
    usual DECIMAL(8,2) NOT NULL DEFAULT 0,
    cost BIGINT UNSIGNED NULL,
    price BIGINT UNSIGNED NULL,
    on_hand DECIMAL(10,2) NOT NULL DEFAULT 0,
    retired_at DATETIME(3) NULL,
    version INT NOT NULL DEFAULT 1,
    UNIQUE INDEX stock_items_by_code (code),
    INDEX stock_items_by_sort (sort, retired_at),
    CONSTRAINT stock_never_less CHECK (on_hand >= 0)) ENGINE=InnoDB`,
  `CREATE TABLE stock_asides (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    item_id INT UNSIGNED NOT NULL,
    job_id INT UNSIGNED NOT NULL,
    quantity DECIMAL(8,2) NOT NULL,
    UNIQUE INDEX stock_asides_once (item_id, job_id),
    INDEX stock_asides_by_job (job_id),
    CONSTRAINT stock_asides_some CHECK (quantity > 0),
    CONSTRAINT stock_asides_item FOREIGN KEY (item_id) REFERENCES stock_items (id),
    CONSTRAINT stock_asides_job FOREIGN KEY (job_id) REFERENCES jobs (id)) ENGINE=InnoDB`,
  `CREATE TABLE stock_moves (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    item_id INT UNSIGNED NOT NULL,
    kind ENUM('received','set-aside','released','used','broken','returned','counted') NOT NULL,
    quantity DECIMAL(8,2) NOT NULL,
    on_hand DECIMAL(10,2) NOT NULL,
    job_id INT UNSIGNED NULL,
    line_id INT UNSIGNED NULL,
    reason VARCHAR(200) NOT NULL DEFAULT '',
    made_by INT UNSIGNED NULL,
    made_at DATETIME(3) NOT NULL,
    INDEX stock_moves_by_item (item_id, id),
    INDEX stock_moves_by_job (job_id),
    CONSTRAINT stock_moves_item FOREIGN KEY (item_id) REFERENCES stock_items (id),
    CONSTRAINT stock_moves_job FOREIGN KEY (job_id) REFERENCES jobs (id),
    CONSTRAINT stock_moves_line FOREIGN KEY (line_id) REFERENCES work_lines (id),
    CONSTRAINT stock_moves_person FOREIGN KEY (made_by) REFERENCES people (id)) ENGINE=InnoDB`,
] as const;

/** Brings a shop to its stores. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

import type { Sequelize } from 'sequelize';

/** What is inside an instrument: parts with their values, and which wire goes where. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS inside_parts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    instrument_id INT UNSIGNED NOT NULL,
    name VARCHAR(120) NOT NULL,
    value VARCHAR(80) NOT NULL DEFAULT '',
    wires VARCHAR(500) NOT NULL DEFAULT '',
    note VARCHAR(300) NOT NULL DEFAULT '',
    said_by INT UNSIGNED NOT NULL,
    said_at DATETIME(3) NOT NULL,
    gone VARCHAR(200) NOT NULL DEFAULT '',
    gone_at DATETIME(3) NULL,
    version INT NOT NULL DEFAULT 0,
    INDEX inside_parts_by_instrument (instrument_id),
    CONSTRAINT inside_parts_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT inside_parts_person FOREIGN KEY (said_by) REFERENCES people (id)) ENGINE=InnoDB`);
}

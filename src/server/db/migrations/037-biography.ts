import type { Sequelize } from 'sequelize';

/**
 * What is watched on an instrument with its limit, what came of calling its owner afterwards, whether its parts are original and by
 * what that is known, and parts of it that are kept, with their place and measures.
 */
const STEPS = [
  `CREATE TABLE watches (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    instrument_id INT UNSIGNED NOT NULL,
    what VARCHAR(20) NOT NULL,
    limit_mm DECIMAL(12,9) NOT NULL,
    side ENUM('above','below') NOT NULL,
    note VARCHAR(200) NOT NULL DEFAULT '',
    made_by INT UNSIGNED NOT NULL,
    made_at DATETIME(3) NOT NULL,
    ended_by INT UNSIGNED NULL,
    ended_at DATETIME(3) NULL,
    version INT NOT NULL DEFAULT 0,
    INDEX watches_by_instrument (instrument_id, ended_at),
    INDEX watches_open (ended_at),
    CONSTRAINT watches_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT watches_person FOREIGN KEY (made_by) REFERENCES people (id),
    CONSTRAINT watches_ended FOREIGN KEY (ended_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE afterwards (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    instrument_id INT UNSIGNED NOT NULL,
    source VARCHAR(40) NOT NULL,
    outcome ENUM('coming','later','written','no-answer','never') NOT NULL,
    note VARCHAR(200) NOT NULL DEFAULT '',
    again_on DATE NULL,
    made_by INT UNSIGNED NOT NULL,
    made_at DATETIME(3) NOT NULL,
    INDEX afterwards_by_instrument (instrument_id, source),
    CONSTRAINT afterwards_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT afterwards_person FOREIGN KEY (made_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE originality (
    instrument_id INT UNSIGNED NOT NULL,
    part VARCHAR(20) NOT NULL,
    state ENUM('original','replaced','unknown') NOT NULL,
    known_by VARCHAR(200) NOT NULL DEFAULT '',
    looked_up VARCHAR(300) NOT NULL DEFAULT '',
    said_by INT UNSIGNED NOT NULL,
    said_at DATETIME(3) NOT NULL,
    version INT NOT NULL DEFAULT 1,
    PRIMARY KEY (instrument_id, part),
    CONSTRAINT originality_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT originality_person FOREIGN KEY (said_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE kept_parts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    instrument_id INT UNSIGNED NOT NULL,
    name VARCHAR(120) NOT NULL,
    place VARCHAR(120) NOT NULL,
    measures VARCHAR(300) NOT NULL DEFAULT '',
    kept_by INT UNSIGNED NOT NULL,
    kept_at DATETIME(3) NOT NULL,
    gone VARCHAR(200) NOT NULL DEFAULT '',
    gone_at DATETIME(3) NULL,
    version INT NOT NULL DEFAULT 0,
    INDEX kept_parts_by_instrument (instrument_id),
    CONSTRAINT kept_parts_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT kept_parts_person FOREIGN KEY (kept_by) REFERENCES people (id)) ENGINE=InnoDB`,
] as const;

/** Brings a shop to instruments with a biography. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

import type { Sequelize } from 'sequelize';

const ID = 'INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY';
const REF = 'INT UNSIGNED';
const WHEN = 'DATETIME(3)';
const VERSION = 'version INT UNSIGNED NOT NULL DEFAULT 0';
const LENGTH = 'DECIMAL(14,9)';

/** The tables of the first whole path, parents before children. */
const TABLES: ReadonlyArray<readonly [name: string, body: string]> = [
  ['settings', `name VARCHAR(60) NOT NULL PRIMARY KEY, value JSON NOT NULL, ${VERSION}`],
  [
    'people',
    `id ${ID}, name VARCHAR(80) NOT NULL UNIQUE, initials VARCHAR(4) NOT NULL,
     role ENUM('desk','technician','lead','owner') NOT NULL, pin_hash VARCHAR(255) NOT NULL,
     active BOOLEAN NOT NULL DEFAULT TRUE, ${VERSION}`,
  ],
  [
    'devices',
    `id ${ID}, name VARCHAR(80) NOT NULL, token_hash CHAR(64) NOT NULL UNIQUE, paired_at ${WHEN} NOT NULL, revoked_at ${WHEN} NULL`,
  ],
  [
    'pairing_codes',
    `id ${ID}, code_hash CHAR(64) NOT NULL UNIQUE, expires_at ${WHEN} NOT NULL, uses_left INT NOT NULL, CHECK (uses_left >= 0)`,
  ],
  [
    'sessions',
    `id ${ID}, token_hash CHAR(64) NOT NULL UNIQUE, person_id ${REF} NOT NULL, device_id ${REF} NOT NULL,
     created_at ${WHEN} NOT NULL, expires_at ${WHEN} NOT NULL, ended_at ${WHEN} NULL,
     FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (device_id) REFERENCES devices(id)`,
  ],
  [
    'pin_troubles',
    `person_id ${REF} NOT NULL, device_id ${REF} NOT NULL, failed INT NOT NULL, locked_until ${WHEN} NULL,
     PRIMARY KEY (person_id, device_id), FOREIGN KEY (person_id) REFERENCES people(id),
     FOREIGN KEY (device_id) REFERENCES devices(id), CHECK (failed >= 0)`,
  ],
  [
    'customers',
    `id ${ID}, name VARCHAR(120) NOT NULL, phone VARCHAR(40) NOT NULL DEFAULT '', email VARCHAR(160) NOT NULL DEFAULT '',
     created_at ${WHEN} NOT NULL, ${VERSION}, KEY customers_name (name), CHECK (name <> '')`,
  ],
  [
    'instruments',
    `id ${ID}, customer_id ${REF} NOT NULL, kind VARCHAR(30) NOT NULL, maker VARCHAR(80) NOT NULL DEFAULT '',
     model VARCHAR(120) NOT NULL DEFAULT '', year VARCHAR(20) NOT NULL DEFAULT '', serial VARCHAR(60) NOT NULL DEFAULT '',
     scale_mm ${LENGTH} NOT NULL, construction JSON NOT NULL, created_at ${WHEN} NOT NULL, ${VERSION},
     KEY instruments_serial (serial), FOREIGN KEY (customer_id) REFERENCES customers(id), CHECK (scale_mm > 0)`,
  ],
  [
    'places',
    `id ${ID}, name VARCHAR(40) NOT NULL UNIQUE, kind ENUM('rack','bench') NOT NULL, sort INT NOT NULL`,
  ],
  [
    'jobs',
    `id ${ID}, number INT UNSIGNED NOT NULL UNIQUE, instrument_id ${REF} NOT NULL, customer_id ${REF} NOT NULL,
     complaint TEXT NOT NULL, touch ENUM('light','medium','heavy') NOT NULL, plays VARCHAR(200) NOT NULL DEFAULT '',
     wish TEXT NOT NULL, needed_by DATE NULL, hard_date BOOLEAN NOT NULL DEFAULT FALSE, hard_reason VARCHAR(120) NOT NULL DEFAULT '',
     limit_minor INT UNSIGNED NULL, strings_state ENUM('at-pitch','missing','off-pitch') NOT NULL,
     place_id ${REF} NULL, holder_id ${REF} NULL, waiting_for ENUM('hands','time','word','home') NOT NULL,
     waiting_note VARCHAR(200) NOT NULL DEFAULT '', waiting_until ${WHEN} NULL,
     state ENUM('open','closed') NOT NULL DEFAULT 'open', facts JSON NOT NULL, taken_in_at ${WHEN} NOT NULL,
     taken_in_by ${REF} NOT NULL, closed_at ${WHEN} NULL, ${VERSION},
     KEY jobs_state (state, waiting_for, needed_by), KEY jobs_instrument (instrument_id), KEY jobs_customer (customer_id),
     FOREIGN KEY (instrument_id) REFERENCES instruments(id), FOREIGN KEY (customer_id) REFERENCES customers(id),
     FOREIGN KEY (place_id) REFERENCES places(id), FOREIGN KEY (holder_id) REFERENCES people(id),
     FOREIGN KEY (taken_in_by) REFERENCES people(id), CHECK ((state = 'closed') = (closed_at IS NOT NULL))`,
  ],
  [
    'job_items',
    `id ${ID}, job_id ${REF} NOT NULL, name VARCHAR(120) NOT NULL, state VARCHAR(200) NOT NULL DEFAULT '',
     returned_at ${WHEN} NULL, returned_by ${REF} NULL, absence VARCHAR(200) NOT NULL DEFAULT '', ${VERSION},
     KEY job_items_job (job_id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (returned_by) REFERENCES people(id)`,
  ],
  [
    'checklists',
    `id ${ID}, name VARCHAR(80) NOT NULL, version INT UNSIGNED NOT NULL, items JSON NOT NULL, UNIQUE KEY (name, version)`,
  ],
  [
    'inspections',
    `id ${ID}, job_id ${REF} NOT NULL UNIQUE, checklist_id ${REF} NOT NULL, finished_at ${WHEN} NULL, finished_by ${REF} NULL, ${VERSION},
     FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (checklist_id) REFERENCES checklists(id), FOREIGN KEY (finished_by) REFERENCES people(id)`,
  ],
  [
    'inspection_answers',
    `id ${ID}, inspection_id ${REF} NOT NULL, item VARCHAR(40) NOT NULL, answer ENUM('fine','watch','work','na') NULL,
     note TEXT NOT NULL, answered_by ${REF} NOT NULL, answered_at ${WHEN} NOT NULL, ${VERSION},
     UNIQUE KEY (inspection_id, item), FOREIGN KEY (inspection_id) REFERENCES inspections(id), FOREIGN KEY (answered_by) REFERENCES people(id)`,
  ],
  [
    'rounds',
    `id ${ID}, job_id ${REF} NOT NULL, kind ENUM('as-found','after-work','as-left') NOT NULL,
     strings ENUM('at-pitch','missing','off-pitch') NOT NULL, position ENUM('playing','on-its-back') NOT NULL,
     tuning VARCHAR(60) NOT NULL, temperature DECIMAL(4,1) NULL, humidity DECIMAL(4,1) NULL, started_at ${WHEN} NOT NULL, ${VERSION},
     UNIQUE KEY (job_id, kind), FOREIGN KEY (job_id) REFERENCES jobs(id),
     CHECK (humidity IS NULL OR humidity BETWEEN 0 AND 100), CHECK (temperature IS NULL OR temperature BETWEEN -40 AND 60)`,
  ],
  [
    'readings',
    `id ${ID}, round_id ${REF} NOT NULL, quantity VARCHAR(30) NOT NULL, string_no TINYINT UNSIGNED NOT NULL, fret TINYINT UNSIGNED NOT NULL,
     value ${LENGTH} NOT NULL, typed VARCHAR(60) NOT NULL, unit VARCHAR(10) NOT NULL, method VARCHAR(120) NOT NULL, gauge VARCHAR(80) NOT NULL,
     strings ENUM('at-pitch','missing','off-pitch') NOT NULL, position ENUM('playing','on-its-back') NOT NULL,
     not_representative VARCHAR(120) NULL, taken_by ${REF} NOT NULL, taken_at ${WHEN} NOT NULL, ${VERSION},
     UNIQUE KEY (round_id, quantity, string_no, fret), FOREIGN KEY (round_id) REFERENCES rounds(id),
     FOREIGN KEY (taken_by) REFERENCES people(id), CHECK (typed <> '')`,
  ],
  [
    'job_targets',
    `id ${ID}, job_id ${REF} NOT NULL, quantity VARCHAR(30) NOT NULL, side ENUM('bass','treble','both') NOT NULL,
     low ${LENGTH} NOT NULL, aim ${LENGTH} NOT NULL, high ${LENGTH} NOT NULL, reason VARCHAR(200) NOT NULL DEFAULT '', ${VERSION},
     UNIQUE KEY (job_id, quantity, side), FOREIGN KEY (job_id) REFERENCES jobs(id), CHECK (low <= aim AND aim <= high)`,
  ],
  [
    'decisions',
    `id ${ID}, job_id ${REF} NOT NULL, line VARCHAR(60) NOT NULL, decision ENUM('accepted','changed','declined') NOT NULL,
     change_text VARCHAR(400) NOT NULL DEFAULT '', reason VARCHAR(400) NOT NULL DEFAULT '', proposed JSON NOT NULL,
     decided_by ${REF} NOT NULL, decided_at ${WHEN} NOT NULL, ${VERSION},
     UNIQUE KEY (job_id, line), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (decided_by) REFERENCES people(id)`,
  ],
  [
    'work_lines',
    `id ${ID}, job_id ${REF} NOT NULL, decision_id ${REF} NULL, operation VARCHAR(40) NOT NULL, title VARCHAR(160) NOT NULL,
     detail TEXT NOT NULL, sort INT NOT NULL, minutes INT UNSIGNED NOT NULL, price_minor INT NOT NULL, parts_minor INT NOT NULL,
     approval ENUM('asked','yes','no') NOT NULL DEFAULT 'asked', approved_by VARCHAR(120) NOT NULL DEFAULT '', approved_how VARCHAR(40) NOT NULL DEFAULT '',
     approved_at ${WHEN} NULL, step ENUM('ready','running','paused','finished') NOT NULL DEFAULT 'ready',
     finished_at ${WHEN} NULL, finished_by ${REF} NULL, ${VERSION}, KEY work_lines_job (job_id),
     FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (decision_id) REFERENCES decisions(id), FOREIGN KEY (finished_by) REFERENCES people(id),
     CHECK (step = 'ready' OR approval = 'yes'), CHECK ((step = 'finished') = (finished_at IS NOT NULL)), CHECK (price_minor >= 0 AND parts_minor >= 0)`,
  ],
  [
    'time_entries',
    `id ${ID}, line_id ${REF} NOT NULL, person_id ${REF} NOT NULL, started_at ${WHEN} NOT NULL, ended_at ${WHEN} NULL,
     KEY time_entries_line (line_id), KEY time_entries_running (person_id, ended_at),
     FOREIGN KEY (line_id) REFERENCES work_lines(id), FOREIGN KEY (person_id) REFERENCES people(id),
     CHECK (ended_at IS NULL OR ended_at >= started_at)`,
  ],
  [
    'hand_overs',
    `id ${ID}, job_id ${REF} NOT NULL UNIQUE, checks JSON NOT NULL, exception_text VARCHAR(400) NOT NULL DEFAULT '',
     checked_by ${REF} NULL, checked_at ${WHEN} NULL, signer VARCHAR(120) NOT NULL DEFAULT '', signature MEDIUMTEXT NULL,
     signed_at ${WHEN} NULL, record LONGTEXT NULL, digest CHAR(64) NULL, ${VERSION},
     FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (checked_by) REFERENCES people(id),
     CHECK ((signed_at IS NULL) = (digest IS NULL))`,
  ],
  [
    'commands',
    `id CHAR(36) NOT NULL PRIMARY KEY, name VARCHAR(60) NOT NULL, person_id ${REF} NOT NULL, answer JSON NOT NULL, at ${WHEN} NOT NULL,
     FOREIGN KEY (person_id) REFERENCES people(id)`,
  ],
  [
    'events',
    `id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, at ${WHEN} NOT NULL, person_id ${REF} NULL, device_id ${REF} NULL,
     job_id ${REF} NULL, kind VARCHAR(60) NOT NULL, entity VARCHAR(40) NOT NULL, entity_id VARCHAR(40) NOT NULL,
     from_version INT UNSIGNED NULL, data JSON NOT NULL, KEY events_job (job_id, id), KEY events_at (at),
     FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (device_id) REFERENCES devices(id), FOREIGN KEY (job_id) REFERENCES jobs(id)`,
  ],
];

const NEVER = ['UPDATE', 'DELETE'] as const;

/** Creates the tables, and the triggers that keep the event log append-only. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const [name, body] of TABLES) await sequelize.query(`CREATE TABLE ${name} (${body}) ENGINE=InnoDB`);
  for (const verb of NEVER) {
    await sequelize.query(
      `CREATE TRIGGER events_no_${verb.toLowerCase()} BEFORE ${verb} ON events FOR EACH ROW
       SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the event log is append-only'`,
    );
  }
}

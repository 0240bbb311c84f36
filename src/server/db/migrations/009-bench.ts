import type { Sequelize } from 'sequelize';

const ID = 'INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY';
const REF = 'INT UNSIGNED';
const WHEN = 'DATETIME(3)';
const OF_JOB = 'FOREIGN KEY (job_id) REFERENCES jobs(id)';
const person = (column: string) => `FOREIGN KEY (${column}) REFERENCES people(id)`;

/** The bench, the words between colleagues, the customer's link, second signatures, seals that were reopened, messages. */
const STEPS = [
  "ALTER TABLE jobs MODIFY waiting_for ENUM('hands','time','part','word','home') NOT NULL",
  `ALTER TABLE work_lines ADD COLUMN found TEXT NULL, ADD COLUMN stops INT UNSIGNED NULL,
     ADD COLUMN asked_by INT UNSIGNED NULL, ADD COLUMN asked_at DATETIME(3) NULL,
     ADD CONSTRAINT work_lines_found CHECK ((found IS NULL) = (asked_at IS NULL)), ADD ${person('asked_by')}`,
  `ALTER TABLE time_entries ADD COLUMN corrected_by INT UNSIGNED NULL, ADD COLUMN correction VARCHAR(200) NOT NULL DEFAULT '',
     ADD CONSTRAINT time_entries_correction CHECK ((corrected_by IS NULL) = (correction = '')), ADD ${person('corrected_by')}`,
  'ALTER TABLE events ADD COLUMN command_id CHAR(36) NULL, ADD KEY events_command (command_id)',
  `CREATE TABLE remarks (
     id ${ID}, job_id ${REF} NOT NULL, line_id ${REF} NULL, kind ENUM('note','question') NOT NULL, words TEXT NOT NULL,
     by_person ${REF} NULL, by_customer VARCHAR(120) NOT NULL DEFAULT '', to_person ${REF} NULL, at ${WHEN} NOT NULL,
     answer TEXT NULL, answered_by ${REF} NULL, answered_at ${WHEN} NULL, version INT UNSIGNED NOT NULL DEFAULT 0,
     KEY remarks_job (job_id), ${OF_JOB}, ${person('by_person')}, ${person('to_person')}, ${person('answered_by')},
     FOREIGN KEY (line_id) REFERENCES work_lines(id) ON DELETE SET NULL,
     CHECK (words <> ''), CHECK ((by_person IS NULL) = (by_customer <> '')), CHECK ((answer IS NULL) = (answered_at IS NULL))
   ) ENGINE=InnoDB`,
  `CREATE TABLE notices (
     id ${ID}, person_id ${REF} NOT NULL, job_id ${REF} NOT NULL, kind VARCHAR(20) NOT NULL, words VARCHAR(240) NOT NULL,
     at ${WHEN} NOT NULL, seen_at ${WHEN} NULL, KEY notices_person (person_id, seen_at, id), ${OF_JOB}, ${person('person_id')}
   ) ENGINE=InnoDB`,
  `CREATE TABLE hand_ons (
     id ${ID}, job_id ${REF} NOT NULL, from_person ${REF} NOT NULL, to_person ${REF} NOT NULL, state TEXT NOT NULL,
     tried TEXT NOT NULL, beware TEXT NOT NULL, stale JSON NOT NULL, at ${WHEN} NOT NULL,
     KEY hand_ons_job (job_id), ${OF_JOB}, ${person('from_person')}, ${person('to_person')}, CHECK (from_person <> to_person)
   ) ENGINE=InnoDB`,
  `CREATE TABLE accidents (
     id ${ID}, job_id ${REF} NOT NULL, line_id ${REF} NULL, happened TEXT NOT NULL, remedy TEXT NOT NULL,
     recorded_by ${REF} NOT NULL, at ${WHEN} NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 0,
     KEY accidents_job (job_id), ${OF_JOB}, ${person('recorded_by')},
     FOREIGN KEY (line_id) REFERENCES work_lines(id) ON DELETE SET NULL, CHECK (happened <> '')
   ) ENGINE=InnoDB`,
  `CREATE TABLE customer_links (
     id ${ID}, job_id ${REF} NOT NULL, purpose ENUM('estimate','sheet') NOT NULL, token_hash CHAR(64) NOT NULL UNIQUE,
     made_by ${REF} NOT NULL, made_at ${WHEN} NOT NULL, expires_at ${WHEN} NOT NULL, withdrawn_at ${WHEN} NULL,
     KEY customer_links_job (job_id), ${OF_JOB}, ${person('made_by')}
   ) ENGINE=InnoDB`,
  `ALTER TABLE hand_overs ADD COLUMN second_by INT UNSIGNED NULL, ADD COLUMN second_at DATETIME(3) NULL,
     ADD COLUMN advice TEXT NULL, ADD COLUMN next_check DATE NULL, ADD COLUMN shown LONGTEXT NULL,
     ADD COLUMN paid_minor INT UNSIGNED NULL, ADD COLUMN paid_how VARCHAR(40) NOT NULL DEFAULT '', ADD COLUMN paid_at DATETIME(3) NULL,
     ADD CONSTRAINT hand_overs_second CHECK ((second_by IS NULL) = (second_at IS NULL) AND (second_by IS NULL OR second_by <> checked_by)),
     ADD CONSTRAINT hand_overs_paid CHECK ((paid_minor IS NULL) = (paid_at IS NULL)), ADD ${person('second_by')}`,
  `CREATE TABLE seals (
     id ${ID}, job_id ${REF} NOT NULL, number INT UNSIGNED NOT NULL, record LONGTEXT NOT NULL, shown LONGTEXT NULL, digest CHAR(64) NOT NULL,
     signer VARCHAR(120) NOT NULL, signature MEDIUMTEXT NULL, signed_at ${WHEN} NOT NULL,
     tweak TEXT NOT NULL, free BOOLEAN NOT NULL, reopened_by ${REF} NOT NULL, reopened_at ${WHEN} NOT NULL,
     UNIQUE KEY seals_number (job_id, number), ${OF_JOB}, ${person('reopened_by')}, CHECK (tweak <> '')
   ) ENGINE=InnoDB`,
  `CREATE TABLE messages (
     id ${ID}, job_id ${REF} NOT NULL, purpose VARCHAR(40) NOT NULL, channel ENUM('mail','text') NOT NULL, address VARCHAR(160) NOT NULL,
     subject VARCHAR(160) NOT NULL, body TEXT NOT NULL, calendar TEXT NULL, state ENUM('waiting','delivered','failed') NOT NULL DEFAULT 'waiting',
     trouble VARCHAR(200) NOT NULL DEFAULT '', tries INT UNSIGNED NOT NULL DEFAULT 0, made_by ${REF} NOT NULL, made_at ${WHEN} NOT NULL,
     due_at ${WHEN} NOT NULL, done_at ${WHEN} NULL, KEY messages_due (state, due_at), KEY messages_job (job_id),
     ${OF_JOB}, ${person('made_by')}, CHECK ((state = 'waiting') = (done_at IS NULL))
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop to the bench, the hand-over with its second signature and tweaks, and messages. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

import type { Sequelize } from 'sequelize';

const TOKEN = '[A-Za-z0-9_-]{43}';

/**
 * What opens a customer's link is kept as its hash alone: tokens go from kept answers, words of messages from what was
 * delivered. One open job an instrument; where an older release let two begin, the newest keeps that right. Names that were
 * longer than their columns fit, and a reading that is taken back leaves its version.
 */
const STEPS = [
  'ALTER TABLE rounds ADD COLUMN taken_back JSON NULL',
  'ALTER TABLE readings MODIFY typed VARCHAR(160) NOT NULL',
  'ALTER TABLE instruments MODIFY kind VARCHAR(40) NOT NULL',
  'ALTER TABLE events MODIFY entity_id VARCHAR(120) NOT NULL',
  'ALTER TABLE messages ADD COLUMN link_id INT UNSIGNED NULL, ADD FOREIGN KEY (link_id) REFERENCES customer_links(id)',
  `UPDATE messages m SET link_id = (SELECT MAX(l.id) FROM customer_links l
     WHERE l.job_id = m.job_id AND l.purpose = IF(m.purpose = 'estimate', 'estimate', 'sheet'))`,
  "UPDATE messages SET body = '' WHERE state = 'delivered'",
  `UPDATE messages SET body = REGEXP_REPLACE(body, '[^\\\\n]*/(estimate|sheet)/${TOKEN}', '{link}') WHERE body <> ''`,
  `UPDATE commands SET answer = JSON_REMOVE(answer, '$.token') WHERE JSON_EXISTS(answer, '$.token')`,
  'ALTER TABLE commands ADD KEY commands_at (at)',
  'ALTER TABLE jobs ADD COLUMN beside_another BOOLEAN NOT NULL DEFAULT FALSE',
  `UPDATE jobs j JOIN (SELECT instrument_id, MAX(id) AS newest FROM jobs WHERE state = 'open' GROUP BY instrument_id) n
     ON n.instrument_id = j.instrument_id SET j.beside_another = TRUE WHERE j.state = 'open' AND j.id <> n.newest`,
  `ALTER TABLE jobs ADD COLUMN open_instrument INT UNSIGNED
     AS (IF(state = 'open' AND NOT beside_another, instrument_id, NULL)) PERSISTENT,
     ADD UNIQUE KEY jobs_open_instrument (open_instrument)`,
] as const;

/** Brings a shop to secrets kept as hashes and one open job an instrument. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}

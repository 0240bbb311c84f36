import { QueryTypes, type Sequelize } from 'sequelize';
import { mayName, mentionsOf, takeWords, type Named } from '../../../core/privacy/mentions.ts';

const APART = [
  `CREATE TABLE event_words (event_id BIGINT UNSIGNED NOT NULL, customer_id INT UNSIGNED NOT NULL, words JSON NOT NULL,
    PRIMARY KEY (event_id, customer_id), KEY event_words_customer (customer_id),
    FOREIGN KEY (event_id) REFERENCES events(id), FOREIGN KEY (customer_id) REFERENCES customers(id)) ENGINE=InnoDB`,
  'ALTER TABLE customers ADD COLUMN erased_at DATETIME(3) NULL',
  'ALTER TABLE hand_overs ADD COLUMN withdrawn JSON NULL, ADD COLUMN kept_digest CHAR(64) NULL',
  'ALTER TABLE photos ADD COLUMN gone_at DATETIME(3) NULL',
  'ALTER TABLE seals ADD COLUMN kept_digest CHAR(64) NULL',
];

interface Event {
  readonly id: number;
  readonly customerId: number;
  readonly data: unknown;
}

const EVENTS_SQL = `SELECT e.id, j.customer_id AS customerId, e.data FROM events e JOIN jobs j ON j.id = e.job_id
  WHERE e.id > ? ORDER BY e.id LIMIT 2000`;

/** Whoever a job's events may name: its customer, and those it had before. */
async function peopleOf(sequelize: Sequelize): Promise<ReadonlyMap<number, Named>> {
  const rows = await sequelize.query<Named & { id: number }>('SELECT id, name, phone, email FROM customers', {
    type: QueryTypes.SELECT,
  });
  return new Map(rows.map((r) => [r.id, r]));
}

/** The customers an entry says by number, beside the job's own. */
function said(data: unknown): number[] {
  const of = (v: unknown): number[] => {
    const id = (v as { readonly customerId?: unknown } | null)?.customerId;
    return typeof id === 'number' ? [id] : [];
  };
  const { before, after } = (data ?? {}) as { readonly before?: unknown; readonly after?: unknown };
  return [...of(before), ...of(after)];
}

async function takeApart(sequelize: Sequelize, people: ReadonlyMap<number, Named>, e: Event): Promise<void> {
  const data: unknown = typeof e.data === 'string' ? JSON.parse(e.data) : e.data;
  if (!mayName(data)) return;
  let rest = data;
  for (const id of new Set([e.customerId, ...said(data)])) {
    const person = people.get(id);
    if (!person) continue;
    const taken = takeWords(rest, mentionsOf([person]));
    if (Object.keys(taken.words).length === 0) continue;
    rest = taken.plain;
    await sequelize.query('INSERT INTO event_words (event_id, customer_id, words) VALUES (?, ?, ?)', {
      replacements: [e.id, id, JSON.stringify(taken.words)],
    });
  }
  if (rest !== data)
    await sequelize.query('UPDATE events SET data = ? WHERE id = ?', {
      replacements: [JSON.stringify(rest), e.id],
    });
}

/**
 * Sets what names a customer apart from the log: a customer can be forgotten, and the log stays as it was written. The one time
 * that rows of the log are changed; its triggers are back before the house is used.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const sql of APART) await sequelize.query(sql);
  await sequelize.query('DROP TRIGGER IF EXISTS events_no_update');
  const people = await peopleOf(sequelize);
  for (let last = 0; ;) {
    const events = await sequelize.query<Event>(EVENTS_SQL, {
      type: QueryTypes.SELECT,
      replacements: [last],
    });
    for (const e of events) await takeApart(sequelize, people, e);
    last = Number(events.at(-1)?.id ?? 0);
    if (last === 0) break;
  }
  await sequelize.query(
    `CREATE TRIGGER events_no_update BEFORE UPDATE ON events FOR EACH ROW
     SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the event log is append-only'`,
  );
}

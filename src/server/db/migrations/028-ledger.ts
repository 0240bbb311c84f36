import { QueryTypes, type Sequelize } from 'sequelize';
import { macOf, type Entry } from '../ledger-mac.ts';

interface Sealed {
  readonly jobId: number | null;
  readonly digest: string;
  readonly kept: string | null;
}

/** What the first entry says: a ledger is never empty, so that there is always an entry to stand on. */
const BEGINNING: Sealed = { jobId: null, digest: '0'.repeat(64), kept: null };

/** Seals of before are entered as such: from now on each seal has its place in the ledger. */
async function enterThoseOfBefore(sequelize: Sequelize): Promise<void> {
  const sealed = await sequelize.query<Sealed>(
    `SELECT job_id AS jobId, digest, kept_digest AS kept FROM hand_overs WHERE digest IS NOT NULL AND digest <> ''
     UNION ALL SELECT job_id, digest, kept_digest FROM seals ORDER BY 1, 2`,
    { type: QueryTypes.SELECT },
  );
  let before = '';
  for (const s of [BEGINNING, ...sealed]) {
    const entry: Entry = { kind: 'before', fromId: null, toId: null, at: new Date(), ...s };
    before = macOf(before, entry);
    await sequelize.query(
      'INSERT INTO seal_ledger (kind, job_id, digest, kept, at, mac) VALUES (?, ?, ?, ?, ?, ?)',
      { replacements: [entry.kind, s.jobId, s.digest, s.kept, entry.at, before] },
    );
  }
}

/** Brings a shop to a ledger of its seals and of its log, each entry under the house’s secret and on top of the one before. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE seal_ledger (
      id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
      kind ENUM('seal','before','withdrawn','elsewhere','log') NOT NULL,
      job_id INT UNSIGNED NULL,
      from_id BIGINT UNSIGNED NULL,
      to_id BIGINT UNSIGNED NULL,
      digest CHAR(64) NOT NULL,
      kept CHAR(64) NULL,
      at DATETIME(3) NOT NULL,
      mac CHAR(64) NOT NULL,
      INDEX seal_ledger_by_job (job_id)) ENGINE=InnoDB`,
  );
  await enterThoseOfBefore(sequelize);
  for (const verb of ['UPDATE', 'DELETE'])
    await sequelize.query(
      `CREATE TRIGGER seal_ledger_no_${verb.toLowerCase()} BEFORE ${verb} ON seal_ledger FOR EACH ROW
       SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the ledger is append-only'`,
    );
}

import { QueryTypes, type Sequelize } from 'sequelize';

interface Kept {
  readonly value: string | Readonly<Record<string, unknown>>;
}

const INVOICES = `CREATE TABLE invoices (
  number INT UNSIGNED NOT NULL PRIMARY KEY, job_id INT UNSIGNED NOT NULL, content JSON NOT NULL,
  cancels INT UNSIGNED NULL UNIQUE, reason VARCHAR(200) NOT NULL DEFAULT '', made_by INT UNSIGNED NOT NULL, made_at DATETIME(3) NOT NULL,
  KEY invoices_job (job_id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (made_by) REFERENCES people(id),
  FOREIGN KEY (cancels) REFERENCES invoices(number), CHECK ((cancels IS NULL) = (reason = ''))
) ENGINE=InnoDB`;

/** A line's own rates of tax, invoices, and why its price is its own; the shop’s days follow the machine’s zone until somebody says more. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `ALTER TABLE work_lines ADD COLUMN tax VARCHAR(20) NULL, ADD COLUMN parts_tax VARCHAR(20) NULL,
       ADD COLUMN price_reason VARCHAR(200) NOT NULL DEFAULT ''`,
  );
  await sequelize.query(INVOICES);
  const [kept] = await sequelize.query<Kept>("SELECT value FROM settings WHERE name = 'shop'", {
    type: QueryTypes.SELECT,
  });
  if (!kept) return;
  const value =
    typeof kept.value === 'string' ? (JSON.parse(kept.value) as Record<string, unknown>) : kept.value;
  const timeZone = process.env['RUBRICA_ZONE'] ?? 'UTC';
  await sequelize.query("UPDATE settings SET value = :value WHERE name = 'shop'", {
    replacements: { value: JSON.stringify({ zone: timeZone, ...value }) },
  });
}

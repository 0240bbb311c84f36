import { createHash } from 'node:crypto';
import { Op, QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import { macOf, type Entry } from '../db/ledger-mac.ts';
import { houseSecrets } from '../db/house-secrets.ts';

/** Enters something on top of what stands in the ledger; one after another, over all processes. */
export async function enter(models: Models, t: Transaction, entry: Entry): Promise<void> {
  const { mac } = await lastEntry(models, t);
  await models.LedgerRow.create({ ...entry, mac: macOf(mac, entry) }, { transaction: t });
}

/**
 * The last entry, locked. Whoever waited for it may have got one that is not the last any more: it is asked for until the same one
 * comes twice, and then nobody else can stand on it.
 */
async function lastEntry(
  models: Models,
  t: Transaction,
): Promise<{ readonly id: number; readonly mac: string }> {
  for (let before = -1; ;) {
    const last = await models.LedgerRow.findOne({
      order: [['id', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!last) throw new Error('the ledger has no beginning');
    if (last.id === before) return last;
    before = last.id;
  }
}

/** Enters the seal of a job. */
export const enterSeal = (
  models: Models,
  t: Transaction,
  kind: 'seal' | 'withdrawn' | 'elsewhere',
  { jobId, digest, keptDigest }: { jobId: number; digest: string; keptDigest: string | null },
  at: Date,
): Promise<void> => enter(models, t, { kind, jobId, fromId: null, toId: null, digest, kept: keptDigest, at });

/** Enters every seal that came with a job from another house. */
export async function enterSealsOf(models: Models, t: Transaction, jobId: number, at: Date): Promise<void> {
  const [sheet, earlier] = await Promise.all([
    models.HandOver.findOne({ where: { jobId }, transaction: t }),
    models.EarlierSeal.findAll({ where: { jobId }, order: [['number', 'ASC']], transaction: t }),
  ]);
  for (const { digest, keptDigest } of [...earlier, ...(sheet ? [sheet] : [])])
    if (digest) await enterSeal(models, t, 'elsewhere', { jobId, digest, keptDigest }, at);
}

const ROWS = 5000;
const ROWS_SQL = `SELECT id, CAST(at AS CHAR) AS at, person_id, device_id, job_id, kind, entity, entity_id, from_version,
  CAST(data AS CHAR) AS data, command_id FROM events WHERE id > ? AND id <= ? ORDER BY id LIMIT ${ROWS}`;

/** The digest of a stretch of the log, its first and last row with it. */
async function logDigest(sequelize: Sequelize, fromId: number, toId: number): Promise<string> {
  const hash = createHash('sha256');
  for (let at = fromId - 1; ;) {
    const rows = await sequelize.query<{ id: number }>(ROWS_SQL, {
      type: QueryTypes.SELECT,
      replacements: [at, toId],
    });
    for (const row of rows) hash.update(JSON.stringify(Object.values(row)));
    at = Number(rows.at(-1)?.id ?? toId);
    if (rows.length < ROWS) return hash.digest('hex');
  }
}

/**
 * Enters the log up to a row, if it is not entered already. Rows get their number before they are committed: enter only what was
 * the last row some minutes ago.
 */
export async function enterLog({ sequelize, models }: Database, upTo: number, at: Date): Promise<void> {
  const last = await models.LedgerRow.max<number, InstanceType<Models['LedgerRow']>>('toId');
  const fromId = Number(last ?? 0) + 1;
  if (upTo < fromId) return;
  const digest = await logDigest(sequelize, fromId, upTo);
  await sequelize.transaction((t) =>
    enter(models, t, { kind: 'log', jobId: null, fromId, toId: upTo, digest, kept: null, at }),
  );
}

/** The last row of the log. */
export const lastLogRow = async ({ models }: Database): Promise<number> =>
  Number((await models.EventRow.max<number, InstanceType<Models['EventRow']>>('id')) ?? 0);

const nameOf = (jobId: number | null, digest: string, kept: string | null): string =>
  `${jobId ?? 0} ${digest} ${kept ?? ''}`;

/**
 * Whether each entry stands on the one before, under the secret the house had then. Once an entry says that the secret was changed,
 * nothing is under an older one again; and the newest has entered something.
 */
export function chainTroubles(
  rows: readonly (Entry & { readonly id: number; readonly mac: string })[],
  secrets: readonly string[],
): string[] {
  let before = '';
  // A record begun anew after a change stands under what was the newest then.
  const first = rows[0];
  let place = first
    ? Math.max(
        0,
        secrets.findIndex((s) => macOf('', first, s) === first.mac),
      )
    : 0;
  for (const row of rows) {
    if (row.kind === 'secret') place += 1;
    if (macOf(before, row, secrets[place] ?? '') !== row.mac)
      return [`the ledger was changed at entry ${row.id}, or belongs to another house`];
    before = row.mac;
  }
  return place === secrets.length - 1
    ? []
    : ['the secret of the house was changed, and the ledger does not say so: entries are gone from its end'];
}

/** Whether the last change of the secret that the ledger tells of was to this one. */
export async function chainEndsUnder(models: Models, secret: string): Promise<boolean> {
  const row = await models.LedgerRow.findOne({ where: { kind: 'secret' }, order: [['id', 'DESC']] });
  if (!row) return false;
  const before = await models.LedgerRow.findOne({
    where: { id: { [Op.lt]: row.id } },
    order: [['id', 'DESC']],
  });
  return macOf(before?.mac ?? '', row, secret) === row.mac;
}

/** Enters that from here on the newest of the house's secrets is used. */
export const enterNewSecret = (models: Models, t: Transaction, at: Date): Promise<void> =>
  enter(models, t, {
    kind: 'secret',
    jobId: null,
    fromId: null,
    toId: null,
    digest: '0'.repeat(64),
    kept: null,
    at,
  });

/** Rows and seals against the ledger, and the ledger against the house's secret: what does not hold, in words. */
export async function ledgerTroubles({ sequelize, models }: Database): Promise<readonly string[]> {
  const rows = await models.LedgerRow.findAll({ order: [['id', 'ASC']] });
  const troubles: string[] = chainTroubles(rows, houseSecrets());
  let end = 0;
  for (const { fromId, toId, digest } of rows.filter((r) => r.kind === 'log')) {
    if (Number(fromId) !== end + 1) troubles.push(`the log is not entered from row ${end + 1} on`);
    end = Number(toId);
    if ((await logDigest(sequelize, Number(fromId), end)) !== digest)
      troubles.push(`the log was changed between rows ${Number(fromId)} and ${end}`);
  }
  const entered = new Set(rows.map((r) => nameOf(r.jobId, r.digest, r.kept)));
  const sealed = await sequelize.query<{
    number: number;
    jobId: number;
    digest: string;
    kept: string | null;
  }>(
    `SELECT j.number, s.job_id AS jobId, s.digest, s.kept FROM
       (SELECT job_id, digest, kept_digest AS kept FROM hand_overs WHERE digest IS NOT NULL AND digest <> ''
        UNION ALL SELECT job_id, digest, kept_digest FROM seals) s JOIN jobs j ON j.id = s.job_id ORDER BY 1`,
    { type: QueryTypes.SELECT },
  );
  for (const s of sealed)
    if (!entered.has(nameOf(s.jobId, s.digest, s.kept)))
      troubles.push(`job ${s.number}: a seal that was never made here`);
  return troubles;
}

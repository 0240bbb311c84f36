/** Seals and log stand in a ledger under the house's secret: whoever writes to the database without it is found out. */
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { anchorTroubles, keepAnchor } from '../../cli/base/ledger-anchor.ts';
import { Transaction } from 'sequelize';
import type { Database } from '../../src/server/db/connection.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { enterLog, enterSeal, lastLogRow, ledgerTroubles } from '../../src/server/ledger/ledger.ts';
import { demoHouse } from './house.ts';

let db: Database;
const sql = (text: string, replacements: unknown[] = []) => db.sequelize.query(text, { replacements });

/** Does what somebody could who has the database and takes its triggers away, and takes it back. */
async function tampered(
  does: string,
  undo: string,
  on: 'seal_ledger' | 'events' | null,
): Promise<readonly string[]> {
  const names = on === null ? [] : ['update', 'delete'].map((v) => `${on}_no_${v}`);
  for (const name of names) await sql(`DROP TRIGGER ${name}`);
  try {
    await sql(does);
    const said = await ledgerTroubles(db);
    await sql(undo);
    return said;
  } finally {
    for (const name of names)
      await sql(
        `CREATE TRIGGER ${name} BEFORE ${name.endsWith('update') ? 'UPDATE' : 'DELETE'} ON ${on ?? ''} FOR EACH ROW
         SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'append-only'`,
      );
  }
}

beforeAll(async () => {
  db = await demoHouse('ledger');
  await enterLog(db, (await lastLogRow(db)) - 100, new Date());
  await enterLog(db, await lastLogRow(db), new Date());
});
afterAll(() => db.sequelize.close());

test('a house that nobody tampered with: every seal and every row of the log is entered', async () => {
  expect(await verifySeals(db)).toMatchObject({ broken: [], ledger: [] });
  expect(await db.models.LedgerRow.count({ where: { kind: 'log' } })).toBe(2);
  expect(await db.models.LedgerRow.count({ where: { kind: 'seal' } })).toBeGreaterThanOrEqual(2);
  await expect(sql('DELETE FROM seal_ledger')).rejects.toThrow('append-only');
});

test('many at once stand on each other, one after another', async () => {
  const { READ_COMMITTED: isolationLevel } = Transaction.ISOLATION_LEVELS;
  const before = await db.models.LedgerRow.count();
  const log = await db.models.LedgerRow.findOne({ where: { kind: 'log' } });
  if (!log) throw new Error('the log is not entered');
  const one = (n: number) =>
    db.sequelize.transaction({ isolationLevel }, (t) =>
      enterSeal(db.models, t, 'elsewhere', { jobId: n, digest: log.digest, keptDigest: null }, new Date()),
    );
  for (let round = 0; round < 5; round++)
    await Promise.all(Array.from({ length: 8 }, (_, i) => one(9000 + i)));
  expect(await db.models.LedgerRow.count()).toBe(before + 40);
  expect(await ledgerTroubles(db)).toEqual([]);
});

test('a seal made anew with a digest that fits is found out', async () => {
  const sheet = (await db.models.HandOver.findAll()).find((s) => s.digest);
  const record = (sheet?.record ?? '').replace(/"signer":"[^"]*"/, '"signer":"Somebody Else"');
  const digest = createHash('sha256').update(record).digest('hex');
  const job = await db.models.Job.findByPk(sheet?.jobId ?? 0);
  const { record: r, digest: d } = { record: sheet?.record, digest: sheet?.digest };
  await sheet?.update({ record, digest });
  expect(await ledgerTroubles(db)).toEqual([`job ${job?.number ?? 0}: a seal that was never made here`]);
  await sheet?.update({ record: r ?? null, digest: d ?? null });
  expect(await ledgerTroubles(db)).toEqual([]);
});

test.each([
  [
    'a row changed',
    "UPDATE events SET kind = CONCAT(kind, '!') WHERE id = 40",
    "UPDATE events SET kind = REPLACE(kind, '!', '') WHERE id = 40",
  ],
  [
    'a moment moved',
    'UPDATE events SET at = at + INTERVAL 1 SECOND WHERE id = 7',
    'UPDATE events SET at = at - INTERVAL 1 SECOND WHERE id = 7',
  ],
  [
    'somebody else made it',
    // One of the five that the next is, whoever it was: their numbers are another order each time.
    'UPDATE events SET person_id = 1 + person_id % 5 WHERE id = 41',
    'UPDATE events SET person_id = 1 + (person_id + 3) % 5 WHERE id = 41',
  ],
])('the log: %s', async (_, does, undo) => {
  const [said = ''] = await tampered(does, undo, 'events');
  expect(said).toMatch(/^the log was changed between rows 1 and \d+$/);
  expect(await ledgerTroubles(db)).toEqual([]);
});

test('the ledger itself: a digest exchanged, the last entry taken out', async () => {
  const rows = await db.models.LedgerRow.findAll({ order: [['id', 'ASC']] });
  const [first, last] = [rows.find((r) => r.kind === 'seal'), rows.at(-1)];
  const changed = await tampered(
    `UPDATE seal_ledger SET digest = REVERSE(digest) WHERE id = ${first?.id ?? 0}`,
    `UPDATE seal_ledger SET digest = REVERSE(digest) WHERE id = ${first?.id ?? 0}`,
    'seal_ledger',
  );
  expect(changed[0]).toBe(`the ledger was changed at entry ${first?.id ?? 0}, or belongs to another house`);
  // Without its entry a seal was never made here; a stretch of the log that is not entered is entered next.
  expect(['log', 'elsewhere']).toContain(last?.kind);
});

test('entries taken from its end are missed outside the database', async () => {
  const before = process.env['RUBRICA_HOME'];
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-anchor-'));
  process.env['RUBRICA_HOME'] = folder;
  try {
    await keepAnchor(db);
    expect(await anchorTroubles(db)).toEqual([]);
    const last = await db.models.LedgerRow.findOne({ order: [['id', 'DESC']] });
    if (!last) throw new Error('the ledger is empty');
    await sql('DROP TRIGGER seal_ledger_no_delete');
    await last.destroy();
    // The ledger itself fits: it only ends sooner.
    expect(await ledgerTroubles(db)).toEqual([]);
    expect(await anchorTroubles(db)).toEqual([
      `the ledger ended at entry ${last.id}, which is gone or another one`,
    ]);
    await db.models.LedgerRow.create(last.get({ plain: true }));
    expect(await anchorTroubles(db)).toEqual([]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
    if (before === undefined) delete process.env['RUBRICA_HOME'];
    else process.env['RUBRICA_HOME'] = before;
  }
});

test('under another secret nothing of it holds', async () => {
  const own = process.env['RUBRICA_SECRET'];
  process.env['RUBRICA_SECRET'] = 'another house';
  try {
    expect((await ledgerTroubles(db))[0]).toContain('or belongs to another house');
  } finally {
    process.env['RUBRICA_SECRET'] = own;
  }
});

/** The house's secret is changed: everything of before is still good, and whoever knows only the old one can write nothing. */
import { randomUUID } from 'node:crypto';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { macOf } from '../../src/server/db/ledger-mac.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { openText, sealText } from '../../src/server/keep/sealed-text.ts';
import { houseMark } from '../../src/server/backup/manifest.ts';
import { chainTroubles, ledgerTroubles } from '../../src/server/ledger/ledger.ts';
import { signIn } from '../../src/server/people/sign-in.ts';
import { tokenHash } from '../../src/server/people/tokens.ts';
import { closeUnderOld, goesOnUnder, goOnUnderNew } from '../../src/server/upkeep/change-secret.ts';
import { begunHouse, demoHouse, value } from './house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const OLD = process.env['RUBRICA_SECRET'] ?? '';
const BOTH = `another one\n${OLD}`;
let db: Database;

/** Under the secrets a process would have been started with. */
async function under<T>(secrets: string, does: () => Promise<T> | T): Promise<T> {
  const before = process.env['RUBRICA_SECRET'];
  process.env['RUBRICA_SECRET'] = secrets;
  try {
    return await does();
  } finally {
    process.env['RUBRICA_SECRET'] = before;
  }
}

const owner = async () => {
  const person = await db.models.Person.findOne({ where: { role: 'owner' }, rejectOnEmpty: true });
  const device = await db.models.Device.findOne({ rejectOnEmpty: true });
  const { id: personId, name, initials, role } = person;
  return { personId, deviceId: device.id, name, initials, role };
};
const pinHash = async () => (await db.models.Person.findOne({ where: { role: 'owner' } }))?.pinHash ?? '';
const linkOf = async (id: string): Promise<{ linkId: number; token: string }> => {
  const job = await db.models.Job.findOne({ where: { state: 'open' }, rejectOnEmpty: true });
  const given = { jobId: job.id, purpose: 'estimate' } as const;
  return value(await execute(db, await owner(), 'work.link', given, id));
};

beforeAll(async () => {
  db = await demoHouse('changed_secret');
});
afterAll(() => db.sequelize.close());

test('a change of the secret: what was made before is good, what comes after stands under the new one', async () => {
  const [sealed, given, old] = [sealText('of the mail server'), randomUUID(), await pinHash()];
  await db.models.Setting.create({ name: 'message secrets', value: { password: sealed }, version: 1 });
  await db.models.PairingCode.create({
    codeHash: 'c'.repeat(64),
    expiresAt: new Date('2999-01-01'),
    usesLeft: 1,
  });
  const link = await linkOf(given);
  await closeUnderOld(db, new Date());
  expect(await goesOnUnder(db, 'another one')).toBe(false);
  await under(BOTH, async () => {
    await goOnUnderNew(db, new Date());
    expect(await goesOnUnder(db, 'another one')).toBe(true);
    expect(await verifySeals(db)).toMatchObject({ broken: [], ledger: [] });
    // The same command says the same link again, though it was made under the secret of before.
    expect(await linkOf(given)).toEqual(link);
    const kept = await db.models.CustomerLink.findByPk(link.linkId);
    expect(kept?.tokenHash).toBe(tokenHash(link.token));
    expect(await linkOf(randomUUID())).not.toEqual(link);
    expect(await db.models.PairingCode.count()).toBe(0);

    // The owner signs in with the PIN they have; it is hashed anew, once.
    const device = await db.models.Device.create({
      name: 'trial',
      tokenHash: tokenHash('trial'),
      pairedAt: new Date(),
    });
    const { personId } = await owner();
    const pin = DEMO_PEOPLE.find((p) => p.role === 'owner')?.pin ?? '';
    expect((await signIn(db, 'trial', personId, '999111', new Date())).ok).toBe(false);
    expect(await pinHash()).toBe(old);
    expect((await signIn(db, 'trial', personId, pin, new Date())).ok).toBe(true);
    const anew = await pinHash();
    expect(anew).not.toBe(old);
    expect((await signIn(db, 'trial', personId, pin, new Date())).ok).toBe(true);
    expect(await pinHash()).toBe(anew);
    await device.destroy().catch(() => null);
  });
  // What was sealed is sealed anew: with the new secret alone it opens, with the old one alone it does not.
  const { password = '' } = ((await db.models.Setting.findByPk('message secrets'))?.value ?? {}) as {
    password?: string;
  };
  expect(await under('another one', () => openText(password))).toBe('of the mail server');
  expect(await under(OLD, () => openText(password))).toBeNull();
  expect(await under(BOTH, () => openText(sealed))).toBe('of the mail server');
  expect(houseMark(BOTH)).toBe(houseMark(OLD));
});

test('who knows only the secret of before can neither go on with the ledger nor go back behind the change', async () => {
  const rows = await db.models.LedgerRow.findAll({ order: [['id', 'ASC']] });
  const chain = rows.map((r) => r.get({ plain: true }));
  const secrets = [OLD, 'another one'];
  expect(chainTroubles(chain, secrets)).toEqual([]);
  const last = chain.at(-1);
  if (!last) throw new Error('the ledger is empty');
  const forged = { ...last, id: last.id + 1, kind: 'seal' as const, digest: 'f'.repeat(64) };
  expect(chainTroubles([...chain, { ...forged, mac: macOf(last.mac, forged, OLD) }], secrets)).toEqual([
    `the ledger was changed at entry ${last.id + 1}, or belongs to another house`,
  ]);
  const change = chain.findIndex((r) => r.kind === 'secret');
  const before = chain.slice(0, change);
  expect(chainTroubles(before, secrets)[0]).toMatch(/entries are gone from its end/);
  // Something older rewritten, everything up to the change made to fit: the entry of the change does not stand on it.
  const rewritten: typeof chain = [];
  for (const row of before)
    rewritten.push({
      ...row,
      digest: row.id === before[3]?.id ? 'e'.repeat(64) : row.digest,
      mac: macOf(
        rewritten.at(-1)?.mac ?? '',
        { ...row, digest: row.id === before[3]?.id ? 'e'.repeat(64) : row.digest },
        OLD,
      ),
    });
  expect(chainTroubles([...rewritten, ...chain.slice(change)], secrets)[0]).toMatch(/changed at entry/);
  // A record begun anew later stands under the newest alone.
  expect(await under(BOTH, () => ledgerTroubles(db))).toEqual([]);
});

test.runIf(LONG)('a second change goes on from the first', async () => {
  const three = `a third\n${BOTH}`;
  await under(three, async () => {
    await goOnUnderNew(db, new Date());
    expect(await ledgerTroubles(db)).toEqual([]);
    expect(await goesOnUnder(db, 'a third')).toBe(true);
    expect(await goesOnUnder(db, 'another one')).toBe(false);
  });
  expect(await under(BOTH, () => ledgerTroubles(db))).not.toEqual([]);
  const fresh = await begunHouse('changed_secret_fresh');
  expect(await ledgerTroubles(fresh)).toEqual([]);
  await fresh.sequelize.close();
  await under(three, async () => {
    const begun = await begunHouse('changed_secret_fresh');
    expect(await ledgerTroubles(begun)).toEqual([]);
    await begun.sequelize.close();
  });
});

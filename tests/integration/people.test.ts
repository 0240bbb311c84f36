import { DEMO_INSTRUMENTS } from '../../src/demo/instruments.ts';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { migrate, pendingMigrations } from '../../src/server/db/migrate.ts';
import { makePairingCode, pairDevice } from '../../src/server/people/pair-device.ts';
import { signIn, signOut } from '../../src/server/people/sign-in.ts';
import { loadDoorLog } from '../../src/server/people/doors.ts';
import { actorFor, peopleOn } from '../../src/server/people/who.ts';
import { loadRack } from '../../src/server/rack/load-rack.ts';
import { findCustomers } from '../../src/server/desk/find.ts';
import { leafStates, LEAVES } from '../../src/core/job/leaves.ts';
import { demoHouse, staffedHouse } from './house.ts';

let db: Database;
let technicianId = 0;
let deviceToken = '';
const NOW = new Date('2026-03-02T09:00:00Z');
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);

beforeAll(async () => {
  const house = await staffedHouse('people');
  db = house.db;
  technicianId = house.technician.personId;
  const paired = await pairDevice(db, await makePairingCode(db, NOW), 'Bench 1', NOW);
  if (!paired.ok) throw new Error('not paired');
  deviceToken = paired.value.token;
});
afterAll(() => db.sequelize.close());

describe('pairing', () => {
  test('a code works once, within its time, and only its hash is kept', async () => {
    const code = await makePairingCode(db, NOW);
    expect(JSON.stringify(await db.models.PairingCode.findAll())).not.toContain(code);
    expect((await pairDevice(db, code.toLowerCase(), 'a', NOW)).ok).toBe(true);
    expect((await pairDevice(db, code, 'b', NOW)).ok).toBe(false);
    const old = await makePairingCode(db, NOW);
    expect((await pairDevice(db, old, 'c', later(13 * 60))).ok).toBe(false);
  });

  test('a device that is not paired is shown no names', async () => {
    expect(await peopleOn(db, undefined)).toBeNull();
    expect(await peopleOn(db, 'made up')).toBeNull();
    expect(await peopleOn(db, deviceToken)).toHaveLength(4);
  });
});

describe('signing in', () => {
  test('the right PIN opens a session that ends by itself or by hand', async () => {
    const done = await signIn(db, deviceToken, technicianId, '1234', NOW);
    if (!done.ok) throw new Error(done.error.message);
    const { token } = done.value;
    expect(await actorFor(db, token, deviceToken, later(60))).toMatchObject({ role: 'technician' });
    expect(await actorFor(db, token, 'another device', later(60))).toBeNull();
    expect(await actorFor(db, token, deviceToken, later(15 * 60))).toBeNull();
    expect(JSON.stringify(await db.models.Session.findAll())).not.toContain(token);
    await signOut(db, token, later(61));
    expect(await actorFor(db, token, deviceToken, later(62))).toBeNull();
  });

  test('five wrong PINs lock the name on that device, even for the right one, for a minute and then longer', async () => {
    const attempt = async (pin: string, minutes: number) =>
      (await signIn(db, deviceToken, technicianId, pin, later(minutes))).ok;
    const tries = await Promise.all(Array.from({ length: 5 }, () => attempt('0000', 0)));
    expect(tries).toEqual([false, false, false, false, false]);
    expect(await attempt('1234', 0.5)).toBe(false);
    expect(await attempt('0000', 1.5)).toBe(false);
    expect(await attempt('1234', 3)).toBe(false);
    expect(await attempt('1234', 4)).toBe(true);
    const wrong = await db.models.EventRow.count({ where: { kind: 'wrong PIN' } });
    expect(wrong).toBe(6);
  });

  test('wrong PINs count for a name over all tablets, a colleague’s right one changes nothing, and one is never locked out everywhere', async () => {
    const at = (minutes: number) => later(3000 + minutes);
    const other = await pairDevice(db, await makePairingCode(db, NOW), 'Bench 2', NOW);
    if (!other.ok) throw new Error('not paired');
    const ok = async (token: string, id: number, pin: string, minutes: number) =>
      (await signIn(db, token, id, pin, at(minutes))).ok;
    const colleague = await db.models.Person.findOne({ where: { role: 'lead' } });
    for (let i = 0; i < 7; i++) await ok(deviceToken, technicianId, '0000', 30 * i);
    expect(await ok(deviceToken, colleague?.id ?? 0, '1234', 181)).toBe(true);
    // A colleague’s right PIN gave no free tries for this name, here or there.
    expect(await ok(deviceToken, technicianId, '1234', 181)).toBe(false);
    expect(await ok(other.value.token, technicianId, '0000', 182)).toBe(false);
    expect(await ok(other.value.token, technicianId, '1234', 182.5)).toBe(false);
    expect(await ok(other.value.token, technicianId, '1234', 183.5)).toBe(true);
    // A day later what was typed wrongly is forgotten.
    expect(await ok(deviceToken, technicianId, '0000', 2000)).toBe(false);
    expect(await ok(deviceToken, technicianId, '1234', 2000)).toBe(true);
  });

  test('who signs in ends the session before on that tablet; one that nobody uses ends by itself; a screen that listens does not keep it', async () => {
    const at = (minutes: number) => later(9000 + minutes);
    const lead = await db.models.Person.findOne({ where: { role: 'lead' } });
    const enter = async (id: number, minutes: number) => {
      const done = await signIn(db, deviceToken, id, '1234', at(minutes));
      if (!done.ok) throw new Error(done.error.message);
      return done.value.token;
    };
    const who = (token: string, minutes: number, acts = false) =>
      actorFor(db, token, deviceToken, at(minutes), acts);
    const first = await enter(technicianId, 0);
    const second = await enter(lead?.id ?? 0, 1);
    expect(await who(first, 1)).toBeNull();
    expect(await who(second, 100, true)).not.toBeNull();
    expect(await who(second, 200)).not.toBeNull();
    // Two hours after it was used last, though a screen listened meanwhile.
    expect(await who(second, 221)).toBeNull();
    expect(await who(second, 110, true)).toBeNull();
  });

  test('what happens at the door stands in a log, with tablet and name', async () => {
    const kinds = (await loadDoorLog(db)).map((e) => `${e.kind}, ${e.person}, ${e.device}`);
    expect(kinds).toContain('signed in, The lead, Bench 1');
    expect(kinds).toContain('wrong PIN, The technician, Bench 2');
    expect(kinds).toContain('tablet paired, , Bench 2');
    expect(kinds).toContain('signed out, The technician, Bench 1');
  });

  test('PINs are kept as scrypt hashes, each with its own salt', async () => {
    const hashes = (await db.models.Person.findAll()).map((p) => p.pinHash);
    expect(hashes.every((h) => h.startsWith('scrypt$') && !h.includes('1234'))).toBe(true);
  });
});

describe('the demo shop', () => {
  let demo: Database;
  beforeAll(async () => {
    demo = await demoHouse('demo');
  });
  afterAll(() => demo.sequelize.close());

  test('has people, customers, instruments of many kinds and jobs on every leaf', async () => {
    expect(DEMO_PEOPLE.length).toBeGreaterThanOrEqual(5);
    expect(await demo.models.Customer.count()).toBeGreaterThanOrEqual(12);
    expect(await demo.models.Instrument.count()).toBeGreaterThanOrEqual(20);
    expect(new Set(DEMO_INSTRUMENTS.map((i) => i.kind)).size).toBeGreaterThanOrEqual(6);
    expect(await demo.models.Job.count()).toBeGreaterThanOrEqual(15);
    const rack = await loadRack(demo);
    const waits = new Set(rack.map((t) => t.waitingFor));
    expect(waits).toEqual(new Set(['hands', 'time', 'part', 'word', 'home']));
    const firstOpen = new Set(rack.map((t) => LEAVES.find((l) => leafStates(t.facts)[l].kind !== 'done')));
    expect(firstOpen).toEqual(new Set(LEAVES.slice(1)));
  });

  test('is found by a piece of a name, a telephone or a serial, and not by a wildcard', async () => {
    expect((await findCustomers(demo, 'aldo')).map((c) => c.name)).toEqual(['Petra Aldous']);
    expect((await findCustomers(demo, 'WO-09417'))[0]?.name).toBe('Petra Aldous');
    expect((await findCustomers(demo, '0104'))[0]?.name).toBe('Jonah Petrel');
    expect(await findCustomers(demo, '%%')).toEqual([]);
    expect(await findCustomers(demo, "'; --")).toEqual([]);
  });

  test('migrating again changes nothing', async () => {
    expect(await migrate(demo.sequelize)).toEqual([]);
    expect(await pendingMigrations(demo.sequelize)).toEqual([]);
    expect(await demo.models.Job.count()).toBeGreaterThanOrEqual(15);
  });
});

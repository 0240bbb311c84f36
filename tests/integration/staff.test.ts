import { randomUUID } from 'node:crypto';
import { makePairingCode, pairDevice } from '../../src/server/people/pair-device.ts';
import { loadDevices } from '../../src/server/devices/load-devices.ts';
import { loadPeople } from '../../src/server/people/load-people.ts';
import { signIn } from '../../src/server/people/sign-in.ts';
import { actorFor } from '../../src/server/people/who.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('staff');
});
afterAll(() => house.db.sequelize.close());

const NEW = {
  id: null,
  version: 0,
  initials: 'JA',
  role: 'technician',
  skill: 'setup',
  pin: '7302',
} as const;

/** A tablet of its own, paired now. */
async function tablet(name: string): Promise<string> {
  const now = new Date();
  const paired = await pairDevice(house.db, await makePairingCode(house.db, now), name, now);
  if (!paired.ok) throw new Error('not paired');
  return paired.value.token;
}

/** Somebody signed in on a tablet: a way to ask whether they still are. */
async function signedIn(device: string, personId: number, pin: string) {
  const done = await signIn(house.db, device, personId, pin, new Date());
  if (!done.ok) throw new Error(done.error.message);
  return () => actorFor(house.db, done.value.token, device, new Date());
}

describe('people', () => {
  test('somebody is added, signs in, is renamed by version, leaves and comes back', async () => {
    const { lead, give } = house;
    const { id } = value(await give(lead, 'people.save', { ...NEW, name: 'Juno Amsel' }));
    const device = await tablet('Bench 3');
    const there = await signedIn(device, id, '7302');
    expect(await there()).toMatchObject({ name: 'Juno Amsel', role: 'technician' });
    const changed = { ...NEW, id, name: 'Juno Amsel-Reed', role: 'desk', pin: null } as const;
    const { version } = value(await give(lead, 'people.save', changed));
    expect(await give(lead, 'people.save', changed)).toMatchObject({ error: { code: 'conflict' } });
    expect(await there()).toMatchObject({ name: 'Juno Amsel-Reed', role: 'desk' });
    const gone = value(await give(lead, 'people.leave', { id, version, left: true }));
    expect(await there()).toBeNull();
    expect((await signIn(house.db, device, id, '7302', new Date())).ok).toBe(false);
    expect((await loadPeople(house.db)).find((p) => p.id === id)).toMatchObject({ active: false });
    value(await give(lead, 'people.leave', { id, version: gone.version, left: false }));
    expect((await signIn(house.db, device, id, '7302', new Date())).ok).toBe(true);
  });

  test('what is wrong is said at its field, and nothing is kept', async () => {
    const { lead, owner, give } = house;
    const before = await house.db.models.Person.count();
    const bad = async (who: Actor, more: object, field: string) =>
      expect(await give(who, 'people.save', { ...NEW, name: 'Someone', ...more })).toMatchObject({
        ok: false,
        error: { code: 'invalid', fields: { [field]: expect.any(String) as string } },
      });
    await bad(lead, { name: ' ' }, 'name');
    await bad(lead, { name: 'the DESK' }, 'name');
    await bad(lead, { pin: '1234' }, 'pin');
    await bad(lead, { pin: null }, 'pin');
    await bad(lead, { role: 'owner' }, 'role');
    await bad(owner, { id: owner.personId, pin: null, role: 'lead', name: 'The owner' }, 'role');
    expect(await house.db.models.Person.count()).toBe(before);
  });

  test('a PIN that is set ends sessions and locks; nothing of it stands in what is kept', async () => {
    const { lead, owner, technician, give } = house;
    const device = await tablet('Bench 4');
    const there = await signedIn(device, technician.personId, '1234');
    for (let i = 0; i < 5; i++) await signIn(house.db, device, technician.personId, '0000', new Date());
    value(await give(lead, 'people.set-pin', { id: technician.personId, pin: '902104756813' }));
    expect(await there()).toBeNull();
    const again = await signedIn(device, technician.personId, '902104756813');
    expect(await again()).not.toBeNull();
    expect(await give(lead, 'people.set-pin', { id: owner.personId, pin: '902104756813' })).toMatchObject({
      ok: false,
    });
    const kept = JSON.stringify([
      await house.db.models.EventRow.findAll(),
      await house.db.models.CommandRow.findAll(),
      await house.db.models.Person.findAll(),
    ]);
    expect(kept).not.toContain('902104756813');
  });

  test('one’s own PIN wants the one before, and leaves this tablet signed in', async () => {
    const { desk, give } = house;
    const [here, other] = [await tablet('Counter'), await tablet('Office')];
    const [at, elsewhere] = [
      await signedIn(here, desk.personId, '1234'),
      await signedIn(other, desk.personId, '1234'),
    ];
    const me = (await at()) as Actor;
    expect(await give(me, 'people.own-pin', { now: '4321', pin: '5309' })).toMatchObject({
      error: { fields: { now: expect.any(String) as string } },
    });
    value(await give(me, 'people.own-pin', { now: '1234', pin: '5309' }));
    expect([await at(), await elsewhere()]).toEqual([expect.anything(), null]);
    const back = await signedIn(other, desk.personId, '5309');
    expect(value(await give(me, 'people.sign-out', { from: 'other tablets' })).ended).toBe(1);
    expect([(await at()) !== null, await back()]).toEqual([true, null]);
  });

  test('guessing at a colleague’s open session locks as signing in does', async () => {
    const { owner, give } = house;
    const here = await tablet('Left open');
    const me = (await (await signedIn(here, owner.personId, '1234'))()) as Actor;
    for (let i = 0; i < 5; i++) await give(me, 'people.own-pin', { now: '8888', pin: '5309' });
    expect(await give(me, 'people.own-pin', { now: '1234', pin: '5309' })).toMatchObject({
      error: { fields: { now: expect.stringContaining('Locked') as string } },
    });
    expect((await signIn(house.db, here, owner.personId, '1234', new Date())).ok).toBe(false);
  });

  test('a technician changes nobody', async () => {
    const { technician, desk, give } = house;
    for (const actor of [technician, desk]) {
      expect(await give(actor, 'people.save', { ...NEW, name: 'Nobody' })).toMatchObject({
        error: { code: 'not-allowed' },
      });
      expect(await give(actor, 'devices.revoke', { id: 1 })).toMatchObject({
        error: { code: 'not-allowed' },
      });
    }
  });
});

describe('tablets', () => {
  test('a code is answered again to the same command, and only its hash is kept', async () => {
    const commandId = randomUUID();
    const once = value(await house.give(house.lead, 'devices.code', { uses: 1 }, commandId));
    const twice = value(await house.give(house.lead, 'devices.code', { uses: 1 }, commandId));
    expect(twice).toEqual(once);
    expect(once.code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/);
    const kept = JSON.stringify([
      await house.db.models.PairingCode.findAll(),
      await house.db.models.CommandRow.findAll(),
      await house.db.models.EventRow.findAll(),
    ]);
    expect(kept).not.toContain(once.code);
    expect((await pairDevice(house.db, once.code, 'New', new Date())).ok).toBe(true);
    expect((await pairDevice(house.db, once.code, 'Another', new Date())).ok).toBe(false);
  });

  test('one is renamed, says who was on it, and sent away ends everything on it at once', async () => {
    const { lead, give } = house;
    const device = await tablet('Lost one');
    const there = await signedIn(device, lead.personId, '1234');
    const row = (await loadDevices(house.db)).find((d) => d.name === 'Lost one');
    expect(row).toMatchObject({ seenBy: 'The lead', seenAt: expect.any(String) as string });
    const id = row?.id ?? 0;
    value(await give(lead, 'devices.rename', { id, name: 'Left in the van' }));
    expect((await loadDevices(house.db)).some((d) => d.name === 'Left in the van')).toBe(true);
    value(await give(lead, 'devices.revoke', { id }));
    expect(await there()).toBeNull();
    expect((await signIn(house.db, device, lead.personId, '1234', new Date())).ok).toBe(false);
    expect((await loadDevices(house.db)).some((d) => d.id === id)).toBe(false);
    expect(await give(lead, 'devices.revoke', { id })).toMatchObject({ error: { code: 'not-found' } });
    expect(await give(lead, 'devices.revoke', { id: lead.deviceId })).toMatchObject({ ok: false });
  });
});

/** A crowd at a house: who they are, what they work on, and what must be kept of it all. */
import sharp from 'sharp';
import type { Database } from '../../src/server/db/connection.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { tokenHash } from '../../src/server/people/tokens.ts';
import { Person, pause, signedIn } from './crowd.ts';
import { DeskPerson } from './crowd-desk.ts';
import { fillShelves, holdsTogether, takeJobs } from './crowd-house.ts';

const AT_THE_BENCH = 14;
const AT_THE_DESK = 6;
/** As busy as twenty people are at most, so that the machine has time for what is killed, ms. */
const PACE = 1500;

/** Everybody, and those of them at the counter. */
export interface Gathered {
  readonly all: readonly Person[];
  readonly desk: readonly DeskPerson[];
}

/**
 * Twenty people at a house that was begun empty, each on a tablet of their own.
 * @param bases where they reach it, in turn
 */
export async function gather(db: Database, bases: readonly string[]): Promise<Gathered> {
  const pinHash = await hashPin('1234');
  const hands = Array.from({ length: AT_THE_BENCH + AT_THE_DESK }, (_, i) => ({
    name: `Hand ${i}`,
    initials: 'H',
    role: i < AT_THE_BENCH ? ('technician' as const) : ('lead' as const),
    pinHash,
  }));
  await db.models.Person.bulkCreate(hands);
  const people = await db.models.Person.findAll({ where: { initials: 'H' }, order: [['id', 'ASC']] });
  const lead = await db.models.Person.findOne({ where: { role: 'owner' }, rejectOnEmpty: true });
  const device = await db.models.Device.create({
    name: 'd',
    tokenHash: 'd'.repeat(64),
    pairedAt: new Date(),
  });
  const owner = { personId: lead.id, deviceId: device.id, name: lead.name, initials: 'L', role: lead.role };
  const jobs = await takeJobs(db, owner);
  const shelves = await fillShelves(db, owner);
  const [plain] = await takeJobs(db, owner, 1, []);
  const first = await db.models.Job.findByPk(plain?.id ?? 0, { rejectOnEmpty: true });
  const checks = (await loadJob(db, first.number))?.handOver.asked.map((c) => c.key) ?? [];
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a52' } })
    .jpeg()
    .toBuffer();
  const code = await makePairingCode(db, new Date(), people.length);
  const bench: Person[] = [];
  const desk: DeskPerson[] = [];
  for (const [i, { id }] of people.entries()) {
    const base = bases[i % bases.length] ?? '';
    const cookie = await signedIn(base, code, id, '1234');
    if (i < AT_THE_BENCH) bench.push(new Person(base, cookie, id, jobs, shelves));
    else desk.push(Object.assign(new DeskPerson(base, cookie, id, jobs, shelves), { checks, picture }));
  }
  return { all: [...bench, ...desk], desk };
}

/** Everybody goes on until told to stop. */
export const liveAll = ({ all }: Gathered, stop: () => boolean): Promise<unknown> =>
  Promise.all(all.map((p) => p.live(stop, PACE)));

/** How many changes the house has acknowledged to them. */
export const changesOf = ({ all, desk }: Gathered): number =>
  all.reduce((sum, p) => sum + p.acknowledged.length, 0) +
  desk.reduce((sum, p) => sum + p.photographed.length, 0);

/** Every message that was acknowledged goes, once. */
async function messagesWent({ models }: Database): Promise<number> {
  for (let i = 0; i < 1800; i++) {
    if ((await models.MessageRow.count({ where: { state: 'waiting' } })) === 0) break;
    await pause(100);
  }
  const written = await models.MessageRow.findAll();
  expect(written.filter((m) => m.state !== 'delivered').map((m) => [m.id, m.state])).toEqual([]);
  const went = (await models.EventRow.findAll({ where: { kind: 'message delivered' } })).map(
    (e) => e.entityId,
  );
  expect([...went].sort()).toEqual([...new Set(written.map((m) => String(m.id)))].sort());
  return written.length;
}

/**
 * Nothing that was acknowledged is lost and nothing is doubled: changes, photos, signatures, links, messages, seals.
 * @param signedAtLeast so many must have signed
 * @returns what was kept, in words
 */
export async function keptWhole(
  db: Database,
  { all, desk }: Gathered,
  signedAtLeast: number,
): Promise<string> {
  const { models } = db;
  // Everybody was answered in the end.
  expect(all.flatMap((p) => (p.open === null ? [] : [p.open]))).toEqual([]);
  const messages = await messagesWent(db);
  await holdsTogether(db, all);

  const photos = desk.flatMap((p) => p.photographed);
  const kept = new Map<string, number>();
  for (const { item } of await models.Photo.findAll({ attributes: ['item'] }))
    kept.set(item ?? '', (kept.get(item ?? '') ?? 0) + 1);
  expect(photos.filter((item) => kept.get(item) !== 1)).toEqual([]);
  expect([...kept.values()].filter((n) => n !== 1)).toEqual([]);

  const signed = desk.flatMap((p) => p.signed);
  const closed = await models.Job.findAll({ where: { id: signed, state: 'closed' } });
  expect(closed).toHaveLength(signed.length);
  expect(signed.length, desk.map((p) => p.refused).join('\n')).toBeGreaterThanOrEqual(signedAtLeast);
  const seals = await verifySeals(db);
  expect(seals).toMatchObject({ broken: [], ledger: [] });
  expect(seals.whole).toBeGreaterThanOrEqual(signed.length);
  const serials = (await models.Instrument.findAll()).map((i) => i.serial);
  expect(new Set(serials).size).toBe(serials.length);

  // Of every job’s links the one that was made last opens, and it is one that somebody was told or that went by mail.
  const told = new Set(desk.flatMap((p) => [...p.links.values()].map(tokenHash)));
  const mailed = new Set((await models.MessageRow.findAll()).map((m) => m.linkId));
  const open = await models.CustomerLink.findAll({ where: { purpose: 'sheet', withdrawnAt: null } });
  expect(new Set(open.map((l) => l.jobId)).size).toBe(open.length);
  expect(open.filter((l) => !told.has(l.tokenHash) && !mailed.has(l.id)).map((l) => l.jobId)).toEqual([]);
  return `${changesOf({ all, desk })} changes acknowledged, ${signed.length} signed, ${photos.length} photos, ${open.length} links, ${messages} messages`;
}

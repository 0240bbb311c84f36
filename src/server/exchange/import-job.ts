import { randomUUID } from 'node:crypto';
import { DatabaseError, ValidationError, type Transaction } from 'sequelize';
import type { Construction } from '../../core/instrument/construction.ts';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import { placeTaken } from '../desk/places.ts';
import { isFull } from '../keep/no-room.ts';
import { learnLater } from '../learn/learn-later.ts';
import { enterSealsOf } from '../ledger/ledger.ts';
import { recordEvent, writeEntry, type NamedCustomer } from '../use-case/record-event.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import type { Actor } from '../use-case/use-case.ts';
import type { Brought } from '../db/models/brought-in.ts';
import { noteBrought } from './take-back.ts';
import { PARTS, PHOTOGRAPHED, type JobFile } from './parts.ts';
import { readJobFile, type JobOfFile } from './read-job-file.ts';

type Values = Record<string, unknown>;

/** The models by their plain faces: what is written was checked against their own columns. */
interface PlainModel {
  create: (values: Values, options: { transaction: Transaction }) => Promise<{ id: number }>;
}
const plainModel = (models: Models, model: keyof Models): PlainModel =>
  models[model] as unknown as PlainModel;

const same = (a: unknown, b: unknown): boolean => canonicalJson(a as Json) === canonicalJson(b as Json);

/** What was made for a job that came: it can be taken out again with it. */
type Made = Map<Brought, number[]>;
const made = (all: Made, entity: Brought, id: number): number => {
  all.set(entity, [...(all.get(entity) ?? []), id]);
  return id;
};

/** People by name; somebody this house does not know is kept as a name that cannot sign in. */
async function peopleFor(
  { models }: Database,
  file: JobFile,
  t: Transaction,
): Promise<ReadonlyMap<string, number>> {
  const ids = new Map<string, number>();
  for (const { name, initials, role } of file.people) {
    const known = await models.Person.findOne({ where: { name }, transaction: t });
    const person =
      known ??
      (await models.Person.create({ name, initials, role, pinHash: '!', active: false }, { transaction: t }));
    ids.set(name, person.id);
  }
  return ids;
}

async function customerFor({ models }: Database, file: JobFile, all: Made, t: Transaction): Promise<number> {
  const { name, phone, email } = file.customer as { name: string; phone: string; email: string };
  const known = await models.Customer.findOne({
    where: { name, phone, email, mergedInto: null },
    transaction: t,
  });
  if (known) return known.id;
  return made(
    all,
    'customer',
    (await plainModel(models, 'Customer').create(file.customer, { transaction: t })).id,
  );
}

async function kindFor({ models }: Database, file: JobFile, t: Transaction): Promise<void> {
  const id = String(file.instrument['kind']);
  if ((KINDS as readonly string[]).includes(id) || (await models.KindRow.findByPk(id, { transaction: t })))
    return;
  const construction = file.instrument['construction'] as Construction;
  await models.KindRow.create({ id, name: file.instrument.kindName, construction }, { transaction: t });
}

async function instrumentFor(
  db: Database,
  file: JobFile,
  customerId: number,
  all: Made,
  t: Transaction,
): Promise<number> {
  const { kindName: _k, ...values } = file.instrument;
  const { serial, maker, model } = values as { serial?: string; maker?: string; model?: string };
  const alike = serial
    ? await db.models.Instrument.findAll({
        where: { customerId, serial, maker: maker ?? '', model: model ?? '', mergedInto: null },
        transaction: t,
      })
    : [];
  const known = alike.find((i) => same(i.construction, values['construction']));
  if (known) return known.id;
  await kindFor(db, file, t);
  const row = await plainModel(db.models, 'Instrument').create({ ...values, customerId }, { transaction: t });
  return made(all, 'instrument', row.id);
}

/** The list an inspection was made with: the same version if the shop has it just so, else one of its own. */
async function checklistFor(
  { models }: Database,
  file: JobFile,
  all: Made,
  t: Transaction,
): Promise<number | null> {
  if (!file.checklist) return null;
  const { list, version, items } = file.checklist as { list: string; version: number; items: unknown };
  const known = await models.ChecklistRow.findOne({ where: { list, version }, transaction: t });
  if (known && same(known.items, items)) return known.id;
  const other = known ? { ...file.checklist, list: `${list.slice(0, 28)}-elsewhere` } : file.checklist;
  return made(
    all,
    'checklist',
    (await plainModel(models, 'ChecklistRow').create(other, { transaction: t })).id,
  );
}

async function freeNumber({ models }: Database, wanted: number, t: Transaction): Promise<number> {
  const taken = await models.Job.count({ where: { number: wanted }, transaction: t });
  if (taken === 0) return wanted;
  const last = await models.Job.findOne({ order: [['number', 'DESC']], transaction: t, lock: t.LOCK.UPDATE });
  return (last?.number ?? wanted) + 1;
}

/** A row of the other house’s log, with what names its customer apart, as here. */
const bringEntry = (models: Models, t: Transaction, values: Values, customer: NamedCustomer): Promise<void> =>
  writeEntry(
    models,
    t,
    { ...values, deviceId: null, data: values['data'] } as Parameters<typeof writeEntry>[2],
    [customer],
  );

async function writeParts(
  db: Database,
  { file, photos }: JobOfFile,
  jobId: number,
  people: ReadonlyMap<string, number>,
  customer: NamedCustomer,
  checklistId: number | null,
  t: Transaction,
): Promise<void> {
  const ids = new Map<string, number[]>();
  const at = (part: string, place: unknown): number | null =>
    typeof place === 'number' ? (ids.get(part)?.[place - 1] ?? raise(`${part} has no ${place}`)) : null;
  for (const part of PARTS) {
    const made: number[] = [];
    // Known from the first row on: a line may point at one before it.
    ids.set(part.name, made);
    for (const [i, row] of (file.parts[part.name] ?? []).entries()) {
      const { of, ...values } = row;
      const refs = Object.entries(part.refs ?? {}).map(([c, p]) => [c, at(p, values[c])]);
      const names = part.people.map((c) => [
        c,
        values[c] === null || values[c] === undefined ? null : (people.get(String(values[c])) ?? null),
      ]);
      const owner = part.owner.part === null ? jobId : at(part.owner.part, of);
      if (part.name === 'events') {
        await bringEntry(db.models, t, { ...values, jobId, personId: names[0]?.[1] ?? null }, customer);
        continue;
      }
      const { id } = await plainModel(db.models, part.model).create(
        {
          ...values,
          ...Object.fromEntries([...refs, ...names]),
          [part.owner.column]: owner,
          ...(part.name === 'inspections' && { checklistId }),
        },
        { transaction: t },
      );
      made.push(id);
      const photo = part.name === 'photos' ? photos[i] : undefined;
      if (photo) {
        await db.models.PhotoFile.bulkCreate(
          [
            { photoId: id, size: 'whole', bytes: photo.whole },
            { photoId: id, size: 'small', bytes: photo.small },
          ],
          { transaction: t },
        );
      }
    }
  }
  await pointPhotos(db, ids, t);
}

/** Photos of steps and accidents name them by their place in the file: from now on by their numbers here. */
async function pointPhotos(
  { models }: Database,
  ids: ReadonlyMap<string, readonly number[]>,
  t: Transaction,
) {
  for (const id of ids.get('photos') ?? []) {
    const photo = await models.Photo.findByPk(id, { transaction: t });
    const [kind = '', place] = photo?.item?.split(':') ?? [];
    const part = PHOTOGRAPHED[kind];
    if (!photo || part === undefined) continue;
    const to = ids.get(part)?.[Number(place) - 1] ?? raise(`${part} has no ${place ?? ''}`);
    await photo.update({ item: `${kind}:${to}` }, { transaction: t });
  }
}

function raise(why: string): never {
  throw new Impossible(why);
}

/** Something in the file points at nothing. */
class Impossible extends Error {}

async function write(
  db: Database,
  actor: Actor,
  read: JobOfFile,
  now: Date,
  t: Transaction,
): Promise<number> {
  const { models } = db;
  const { takenInBy, holder, place, ...values } = read.file.job;
  const people = await peopleFor(db, read.file, t);
  const all: Made = new Map();
  const customerId = await customerFor(db, read.file, all, t);
  const instrumentId = await instrumentFor(db, read.file, customerId, all, t);
  if (
    values['state'] === 'open' &&
    (await models.Job.count({ where: { instrumentId, state: 'open' }, transaction: t })) > 0
  ) {
    throw new Impossible('that instrument is in this house already, as an open job');
  }
  const number = await freeNumber(db, Number(values['number']), t);
  const hangs =
    place === null ? null : await models.Place.findOne({ where: { name: place }, transaction: t });
  const job = await plainModel(models, 'Job').create(
    {
      ...values,
      // What came is counted here.
      changes: 1,
      number,
      customerId,
      instrumentId,
      takenInBy: people.get(takenInBy),
      holderId: holder === null ? null : (people.get(holder) ?? null),
      placeId: hangs && (await placeTaken({ models, t }, hangs.id, null, false)) === null ? hangs.id : null,
    },
    { transaction: t },
  );
  const customer = await models.Customer.findByPk(customerId, { transaction: t });
  if (!customer) throw new Impossible('it has no customer');
  const checklistId = await checklistFor(db, read.file, all, t);
  await writeParts(db, read, job.id, people, customer, checklistId, t);
  await enterSealsOf(models, t, job.id, now);
  const work = { actor, models, t, now, commandId: randomUUID() };
  made(all, 'job', job.id);
  // A visit more of an instrument that is known here.
  await learnLater(work, [instrumentId]);
  for (const [entity, ids] of all) await noteBrought(work, entity, ids);
  await recordEvent(work, {
    jobId: null,
    kind: 'job brought in',
    entity: 'job',
    entityId: job.id,
    fromVersion: null,
    data: { number },
  });
  return number;
}

/**
 * Brings a job from another house in, with its photos and its history, all or nothing. It keeps its number when that is
 * free. What is damaged or not possible is refused with the reason and changes nothing.
 */
export async function importJob(
  db: Database,
  actor: Actor,
  zip: Uint8Array,
  now: Date,
): Promise<Result<number, string>> {
  const read = await readJobFile(db.models, zip);
  if (!read.ok) return fail(`${read.error} Nothing was changed.`);
  try {
    return ok(await db.sequelize.transaction((t) => write(db, actor, read.value, now, t)));
  } catch (e) {
    if (e instanceof Impossible) return fail(`job.json: ${e.message}. Nothing was changed.`);
    if (!isFull(e) && (e instanceof DatabaseError || e instanceof ValidationError)) {
      return fail('job.json: something in it is not possible here. Nothing was changed.');
    }
    throw e;
  }
}

import { Op } from 'sequelize';
import { photosByPlace } from '../../core/learn/same-place.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { allStations } from '../../core/readings/stations.ts';
import type { Database } from '../db/connection.ts';
import type { Instrument } from '../db/models/shop.ts';
import { readShop } from '../house/read-shop.ts';
import { loadWatches } from './load-watches.ts';

type Jobs = readonly {
  readonly id: number;
  readonly number: number;
  readonly customerId: number;
  readonly takenInAt: Date;
}[];

/** Who brought it over the years, each from the visit they first brought it at; the owner of now last. */
async function ownersOf({ models }: Database, instrument: Instrument, jobs: Jobs) {
  const turns = jobs.filter((j, i) => j.customerId !== jobs[i - 1]?.customerId);
  const ids = [...turns.map((j) => j.customerId), instrument.customerId];
  const customers = await models.Customer.findAll({ where: { id: ids } });
  const name = (id: number): string => customers.find((c) => c.id === id)?.name ?? '';
  const owners = turns.map((j) => ({
    id: j.customerId,
    name: name(j.customerId),
    since: j.takenInAt.toISOString() as string | null,
  }));
  if (instrument.customerId !== turns.at(-1)?.customerId)
    owners.push({ id: instrument.customerId, name: name(instrument.customerId), since: null });
  return owners;
}

/** The damage that was marked at any visit, numbered over all of them, and the photos by the place they show. */
async function picturesOf({ models }: Database, jobs: Jobs) {
  const where = { jobId: jobs.map((j) => j.id), removedAt: null };
  const [marks, photos, shop] = await Promise.all([
    models.Mark.findAll({ where, order: [['id', 'ASC']] }),
    models.Photo.findAll({ where: { ...where, goneAt: null }, order: [['id', 'ASC']] }),
    readShop(models),
  ]);
  const numbers = new Map(jobs.map((j) => [j.id, j.number]));
  const drawn = marks.map((m, i) => ({
    id: m.id,
    number: i + 1,
    view: m.view,
    x: Number(m.x),
    y: Number(m.y),
    words: m.words,
    job: numbers.get(m.jobId) ?? 0,
  }));
  const titles = new Map(shop.checklists.flatMap((l) => l.items).map((i) => [i.key, i.title]));
  const places = photosByPlace(
    photos.map((p) => ({
      id: p.id,
      job: numbers.get(p.jobId) ?? 0,
      at: p.takenAt.getTime(),
      item: p.item,
      mark: drawn.find((m) => m.id === p.markId) ?? null,
    })),
  ).map(({ key, item, words, photos: own, visits }) => ({
    key,
    title:
      item !== null ? (titles.get(item) ?? item) : words === null ? 'The whole' : words || 'A marked place',
    visits,
    photos: own.map(({ id, job, at }) => ({ id, job, at: new Date(at).toISOString() })),
  }));
  return { marks: drawn, places };
}

const MOST_SOUNDS = 24;

/** The plucks that are kept of it, the newest first. */
async function soundsOf({ models }: Database, instrument: Instrument, jobs: Jobs) {
  const rounds = await models.Round.findAll({ where: { jobId: jobs.map((j) => j.id) } });
  const rows = await models.ReadingRow.findAll({
    where: { roundId: rounds.map((r) => r.id), soundId: { [Op.ne]: null } },
    order: [['takenAt', 'DESC']],
    limit: MOST_SOUNDS,
  });
  const labels = new Map(allStations(instrument.construction).map((s) => [s.key, s.label]));
  const numbers = new Map(jobs.map((j) => [j.id, j.number]));
  return rows.map((r) => {
    const round = rounds.find((x) => x.id === r.roundId);
    const key = stationKey(r.quantity, r.stringNo, r.fret);
    return {
      sound: r.soundId ?? 0,
      label: labels.get(key) ?? key,
      job: numbers.get(round?.jobId ?? 0) ?? 0,
      left: round?.kind !== 'as-found',
      at: r.takenAt.toISOString(),
    };
  });
}

/** What is original, what is inside and what is kept of it. */
async function partsOf({ models }: Database, instrumentId: number) {
  const [originality, kept, inside, people] = await Promise.all([
    models.Originality.findAll({ where: { instrumentId } }),
    models.KeptPart.findAll({ where: { instrumentId }, order: [['id', 'ASC']] }),
    models.InsidePart.findAll({ where: { instrumentId }, order: [['id', 'ASC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const by = (id: number): string => people.find((p) => p.id === id)?.name ?? '';
  return {
    originality: originality.map((o) => ({
      part: o.part,
      state: o.state,
      knownBy: o.knownBy,
      lookedUp: o.lookedUp,
      by: by(o.saidBy),
      at: o.saidAt.toISOString(),
      version: o.version,
    })),
    inside: inside.map((p) => ({
      id: p.id,
      name: p.name,
      value: p.value,
      wires: p.wires,
      note: p.note,
      gone: p.gone,
      by: by(p.saidBy),
      at: p.saidAt.toISOString(),
      version: p.version,
    })),
    kept: kept.map((k) => ({
      id: k.id,
      name: k.name,
      place: k.place,
      measures: k.measures,
      gone: k.gone,
      by: by(k.keptBy),
      at: k.keptAt.toISOString(),
      version: k.version,
    })),
  };
}

/** Everything of an instrument beside its readings: what is watched, owners, damage and photos by place, sounds, parts. */
export async function loadBiography(db: Database, id: number, now: Date) {
  const instrument = await db.models.Instrument.findByPk(id);
  if (!instrument) return null;
  const jobs = await db.models.Job.findAll({
    attributes: ['id', 'number', 'customerId', 'takenInAt'],
    where: { instrumentId: id },
    order: [['number', 'ASC']],
  });
  const [watches, owners, pictures, sounds, parts] = await Promise.all([
    loadWatches(db, now, id),
    ownersOf(db, instrument, jobs),
    picturesOf(db, jobs),
    soundsOf(db, instrument, jobs),
    partsOf(db, id),
  ]);
  return { id, construction: instrument.construction, watches, owners, ...pictures, sounds, ...parts };
}

export type Biography = NonNullable<Awaited<ReturnType<typeof loadBiography>>>;

import { Op } from 'sequelize';
import { formatMoney } from '../../core/money/currency.ts';
import { sayDate } from '../../core/days/say-days.ts';
import { sayChange } from '../../core/history/say-change.ts';
import { saySentence, type HistoryNames } from '../../core/history/say-sentence.ts';
import { titleOfItem } from '../../core/inspection/lists/title-of-item.ts';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { operation } from '../../core/catalogue/operations.ts';
import type { EventRow } from '../db/models/events.ts';
import type { Models } from '../db/models/index.ts';
import { wholeEntries } from '../use-case/whole-entries.ts';
import { readShop } from '../house/read-shop.ts';
import type { Database } from '../db/connection.ts';

/** Who did what nobody of the shop did. */
const OF_THE_HOUSE: ReadonlySet<string> = new Set(['keeping', 'house', 'person']);
const nobodyHere = (entity: string): string =>
  entity === 'message' ? 'the gateway' : OF_THE_HOUSE.has(entity) ? 'the house' : 'the customer';

/** An entry of a kind that has no sentence: its kind, of what, and what stands there since. */
function plainly(e: Parameters<typeof sayChange>[0]): string {
  const { of, to } = sayChange(e);
  return [e.kind, of, to].filter((s) => s !== '').join(': ');
}

const titlesOn = (items: readonly ChecklistItem[]): ReadonlyMap<string, string> =>
  new Map(items.map((i) => [i.key, i.title]));

/** The items some jobs are asked about: two lists may call one thing by two names. */
async function askedOn(models: Models, jobId: number | readonly number[]) {
  const inspections = await models.Inspection.findAll({
    where: { jobId: typeof jobId === 'number' ? jobId : [...jobId] },
    attributes: ['jobId', 'checklistId'],
  });
  const lists = await models.ChecklistRow.findAll({
    where: { id: [...new Set(inspections.map((i) => i.checklistId))] },
    attributes: ['id', 'items'],
  });
  return inspections.map((i) => ({
    jobId: i.jobId,
    items: lists.find((l) => l.id === i.checklistId)?.items ?? [],
  }));
}

/** What things are called; an item as the list of its own job calls it. */
type NamesOfJobs = Omit<HistoryNames, 'item'> & {
  readonly itemOf: (job: number | null) => HistoryNames['item'];
};

/** What the things of some jobs are called, for their history. */
async function namesOfJobs(models: Models, jobId: number | readonly number[]): Promise<NamesOfJobs> {
  const where = { jobId: typeof jobId === 'number' ? jobId : [...jobId] };
  const [shop, lines, places, things, lists, asked] = await Promise.all([
    readShop(models),
    models.WorkLine.findAll({ where, attributes: ['id', 'title'] }),
    models.Place.findAll({ attributes: ['id', 'name'] }),
    models.JobItem.findAll({ where, attributes: ['id', 'name'] }),
    models.ChecklistRow.findAll({ attributes: ['list', 'name'] }),
    askedOn(models, where.jobId),
  ]);
  const byId = (rows: readonly { readonly id: number }[], of: 'title' | 'name') => {
    const said = new Map(rows.map((r) => [r.id, String((r as Readonly<Record<string, unknown>>)[of])]));
    return (id: number): string => said.get(id) ?? '';
  };
  const own = new Map(asked.map((a) => [a.jobId, titlesOn(a.items)]));
  const anywhere = titlesOn(shop.checklists.flatMap((c) => c.items));
  return {
    line: byId(lines, 'title'),
    itemOf: (job) => (key) =>
      (job === null ? null : own.get(job)?.get(key)) ?? anywhere.get(key) ?? titleOfItem(key),
    person: byId(shop.people, 'name'),
    place: byId(places, 'name'),
    thing: byId(things, 'name'),
    operation: (id) => operation(id as OperationId, shop.catalogue).name.toLowerCase(),
    list: (id) => lists.findLast((l) => l.list === id)?.name ?? id,
    money: (minor) => formatMoney(minor, shop.info.currency),
    day: (day) => sayDate(day, shop.info.dates),
  };
}

/** So little between doing and arriving is the way itself. */
const ON_THE_WAY_MS = 60_000;

/** When an entry arrived that waited on a tablet before; null where it came as it was done. */
function arrivedLater(at: Date, data: unknown): string | null {
  const { arrived } = (data ?? {}) as { readonly arrived?: unknown };
  if (typeof arrived !== 'string') return null;
  return Date.parse(arrived) - at.getTime() < ON_THE_WAY_MS ? null : arrived;
}

/** Entries of the log as sentences and as what stood there before and after: when, by whom, of what, from what to what. */
async function sayEntries(models: Models, events: readonly EventRow[], names: NamesOfJobs) {
  const [whole, people, devices] = await Promise.all([
    wholeEntries(models, events),
    models.Person.findAll({ attributes: ['id', 'name'] }),
    models.Device.findAll({ attributes: ['id', 'name'] }),
  ]);
  const name = new Map(people.map((p) => [p.id, p.name]));
  const device = new Map(devices.map((d) => [d.id, d.name]));
  return events.map((row) => {
    const { kind, entity, entityId } = row;
    const { arrived: _when, ...data } = (whole.get(Number(row.id)) ?? {}) as Readonly<
      Record<string, unknown>
    >;
    const e = { kind, entity, entityId, data };
    return {
      says: saySentence(e, { ...names, item: names.itemOf(row.jobId) }) ?? plainly(e),
      id: Number(row.id),
      at: row.at.toISOString(),
      arrived: arrivedLater(row.at, row.data),
      by: row.personId === null ? nobodyHere(entity) : (name.get(row.personId) ?? ''),
      on: row.deviceId === null ? '' : (device.get(row.deviceId) ?? ''),
      kind,
      ...sayChange(e),
    };
  });
}

/** Everything that changed on a job, oldest first. Null when there is no such job. */
export async function loadHistory({ models }: Database, number: number) {
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [names, events] = await Promise.all([
    namesOfJobs(models, job.id),
    models.EventRow.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']] }),
  ]);
  return { number: job.number, entries: await sayEntries(models, events, names) };
}

/** Everything that changed in the house between two moments (the second left out), oldest first, with the job each is about. */
export async function loadHouseHistory({ models }: Database, from: Date, to: Date) {
  const events = await models.EventRow.findAll({
    where: { at: { [Op.gte]: from, [Op.lt]: to } },
    order: [['id', 'ASC']],
  });
  const ids = [...new Set(events.flatMap((e) => (e.jobId === null ? [] : [e.jobId])))];
  const [names, jobs] = await Promise.all([
    namesOfJobs(models, ids),
    models.Job.findAll({ where: { id: ids }, attributes: ['id', 'number'] }),
  ]);
  const number = new Map(jobs.map((j) => [j.id, j.number]));
  const said = await sayEntries(models, events, names);
  return said.map((e, i) => ({ ...e, job: number.get(events[i]?.jobId ?? 0) ?? null }));
}

export type History = NonNullable<Awaited<ReturnType<typeof loadHistory>>>;

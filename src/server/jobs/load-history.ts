import { formatMoney } from '../../core/money/currency.ts';
import { sayDate } from '../../core/days/say-days.ts';
import { sayChange } from '../../core/history/say-change.ts';
import { saySentence, type HistoryNames } from '../../core/history/say-sentence.ts';
import { titleOfItem } from '../../core/inspection/lists/title-of-item.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { operation } from '../../core/catalogue/operations.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Models } from '../db/models/index.ts';
import { readShop } from '../house/read-shop.ts';
import type { Database } from '../db/connection.ts';

/** Who did what nobody of the shop did. */
const nobodyHere = (entity: string): string => (entity === 'message' ? 'the gateway' : 'the customer');

/** An entry of a kind that has no sentence: its kind, of what, and what stands there since. */
function plainly(e: Parameters<typeof sayChange>[0]): string {
  const { of, to } = sayChange(e);
  return [e.kind, of, to].filter((s) => s !== '').join(': ');
}

/** What the things of a job are called, for its history. */
async function namesOfJob(models: Models, job: Job): Promise<HistoryNames> {
  const [shop, lines, places, things, lists] = await Promise.all([
    readShop(models),
    models.WorkLine.findAll({ where: { jobId: job.id }, attributes: ['id', 'title'] }),
    models.Place.findAll({ attributes: ['id', 'name'] }),
    models.JobItem.findAll({ where: { jobId: job.id }, attributes: ['id', 'name'] }),
    models.ChecklistRow.findAll({ attributes: ['list', 'name'] }),
  ]);
  const byId = (rows: readonly { readonly id: number }[], of: 'title' | 'name') => {
    const said = new Map(rows.map((r) => [r.id, String((r as Readonly<Record<string, unknown>>)[of])]));
    return (id: number): string => said.get(id) ?? '';
  };
  const items = new Map(shop.checklists.flatMap((c) => c.items.map((i) => [i.key, i.title] as const)));
  return {
    line: byId(lines, 'title'),
    item: (key) => items.get(key) ?? titleOfItem(key),
    person: byId(shop.people, 'name'),
    place: byId(places, 'name'),
    thing: byId(things, 'name'),
    operation: (id) => operation(id as OperationId, shop.catalogue).name.toLowerCase(),
    list: (id) => lists.findLast((l) => l.list === id)?.name ?? id,
    money: (minor) => formatMoney(minor, shop.info.currency),
    day: (day) => sayDate(day, shop.info.dates),
  };
}

/** Everything that changed on a job, oldest first, as sentences and as what stood there before and after: when, by whom, of what, from what to what. Null when there is no such job. */
export async function loadHistory({ models }: Database, number: number) {
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [names, events, people, devices] = await Promise.all([
    namesOfJob(models, job),
    models.EventRow.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
    models.Device.findAll({ attributes: ['id', 'name'] }),
  ]);
  const name = new Map(people.map((p) => [p.id, p.name]));
  const device = new Map(devices.map((d) => [d.id, d.name]));
  return {
    number: job.number,
    entries: events.map((e) => ({
      says: saySentence(e, names) ?? plainly(e),
      id: Number(e.id),
      at: e.at.toISOString(),
      by: e.personId === null ? nobodyHere(e.entity) : (name.get(e.personId) ?? ''),
      on: e.deviceId === null ? '' : (device.get(e.deviceId) ?? ''),
      kind: e.kind,
      ...sayChange(e),
    })),
  };
}

export type History = NonNullable<Awaited<ReturnType<typeof loadHistory>>>;

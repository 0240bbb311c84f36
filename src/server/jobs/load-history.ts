import { sayChange } from '../../core/history/say-change.ts';
import type { Database } from '../db/connection.ts';

/** Who did what nobody of the shop did. */
const nobodyHere = (entity: string): string => (entity === 'message' ? 'the gateway' : 'the customer');

/** Everything that changed on a job, oldest first: when, by whom, of what, from what to what. Null when there is no such job. */
export async function loadHistory({ models }: Database, number: number) {
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [events, people, devices] = await Promise.all([
    models.EventRow.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
    models.Device.findAll({ attributes: ['id', 'name'] }),
  ]);
  const name = new Map(people.map((p) => [p.id, p.name]));
  const device = new Map(devices.map((d) => [d.id, d.name]));
  return {
    number: job.number,
    entries: events.map((e) => ({
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

import type { Transaction } from 'sequelize';
import type { EventKind } from '../../contracts/commands/commands.ts';
import { mayName, mentionsOf, takeWords, type Named } from '../../core/privacy/mentions.ts';
import { give } from '../db/give.ts';
import type { Models } from '../db/models/index.ts';
import type { Work } from './use-case.ts';

export interface EventFacts {
  readonly jobId: number | null;
  readonly kind: EventKind;
  readonly entity: string;
  readonly entityId: number | string;
  readonly fromVersion: number | null;
  /** what changed, before and after */
  readonly data: unknown;
  /** whom it names, where that is not only the job's customer */
  readonly names?: readonly NamedCustomer[];
}

/** A customer as the log may name them. */
export type NamedCustomer = Named & { readonly id: number };

/** A row of the log, with who wrote it. */
interface Entry extends Omit<EventFacts, 'names' | 'kind'> {
  readonly kind: string;
  readonly at: Date;
  readonly personId: number | null;
  readonly deviceId: number | null;
  readonly commandId?: string | null;
}

async function customersOf(
  models: Models,
  t: Transaction,
  { jobId, names = [] }: Pick<EventFacts, 'jobId' | 'names'>,
): Promise<readonly NamedCustomer[]> {
  const job =
    jobId === null ? null : await models.Job.findByPk(jobId, { attributes: ['customerId'], transaction: t });
  const own = job && (await models.Customer.findByPk(job.customerId, { transaction: t }));
  return own ? [own, ...names] : names;
}

const INSERT_SQL = `INSERT INTO events
  (at, person_id, device_id, job_id, kind, entity, entity_id, from_version, data, command_id)
  VALUES (:at, :personId, :deviceId, :jobId, :kind, :entity, :entityId, :fromVersion, :data, :commandId)`;

/** The one row that every change writes, as bare as it can be. */
async function insertEntry({ EventRow }: Models, transaction: Transaction, e: Entry): Promise<number> {
  const { sequelize } = EventRow;
  if (!sequelize) throw new Error('these models belong to no connection');
  const { commandId = null, data = null, ...row } = e;
  const values = { ...row, at: new Date(e.at), entityId: String(e.entityId), commandId };
  const { insertId } = await give<{ readonly insertId: number }>(
    sequelize,
    INSERT_SQL,
    { ...values, data: JSON.stringify(data) },
    transaction,
  );
  return insertId;
}

/**
 * Writes one row of the log. Texts that name a customer stand apart from it, under that customer: when they are to be forgotten,
 * those go and the row stays as it was written.
 */
export async function writeEntry(
  models: Models,
  t: Transaction,
  entry: Entry,
  names: readonly NamedCustomer[] = [],
): Promise<void> {
  const customers = mayName(entry.data) ? await customersOf(models, t, { jobId: entry.jobId, names }) : [];
  let data = entry.data;
  const apart: { customerId: number; words: Readonly<Record<string, string>> }[] = [];
  for (const customerId of new Set(customers.map((c) => c.id))) {
    const taken = takeWords(data, mentionsOf(customers.filter((c) => c.id === customerId)));
    if (Object.keys(taken.words).length === 0) continue;
    data = taken.plain;
    apart.push({ customerId, words: taken.words });
  }
  const eventId = await insertEntry(models, t, { ...entry, data });
  if (apart.length > 0)
    await models.EventWords.bulkCreate(
      apart.map((a) => ({ ...a, eventId })),
      { transaction: t },
    );
}

/**
 * Writes the one event row of a change, in the change's own transaction: when it was done, and beside that when it arrived, where it
 * waited on a tablet.
 */
export async function recordEvent(
  { models, actor, now, arrived, t, commandId }: Work,
  { names, ...e }: EventFacts,
): Promise<void> {
  const who = { personId: actor.personId, deviceId: actor.deviceId, commandId };
  const data = arrived ? { ...(e.data as object), arrived: arrived.toISOString() } : e.data;
  await writeEntry(models, t, { ...e, data, ...who, at: now }, names);
}

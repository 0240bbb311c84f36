import { Op, type Transaction } from 'sequelize';
import { mentionsOf, WITHDRAWN, withoutMentions } from '../../core/privacy/mentions.ts';
import type { Models } from '../db/models/index.ts';
import type { Customer } from '../db/models/shop.ts';
import { checkSeal, RECORD_PARTS } from '../hand-over/sealed-record.ts';
import { readJob } from '../jobs/read-job.ts';
import { writeEntry } from '../use-case/record-event.ts';
import { scrubJobs } from './scrub-rows.ts';
import { withdrawFromSeals } from './withdraw-from-seals.ts';

/** Who forgets a customer and why; nobody where a period of the house is over. */
export interface Forgetting {
  readonly models: Models;
  readonly t: Transaction;
  readonly now: Date;
  readonly who: {
    readonly personId: number | null;
    readonly deviceId: number | null;
    readonly commandId: string | null;
  };
  readonly why: string;
  readonly photoIds: readonly number[];
  readonly invoices: boolean;
}

const WHAT = ['the customer’s name', 'how they were reached', 'their signature', 'who spoke for them'];

async function dropPhotos({ models, t, now }: Forgetting, jobIds: readonly number[], ids: readonly number[]) {
  const photos = await models.Photo.findAll({
    where: { id: [...ids], jobId: [...jobIds] },
    attributes: ['id'],
    transaction: t,
  });
  const own = photos.map((p) => p.id);
  if (own.length === 0) return 0;
  await models.PhotoFile.destroy({ where: { photoId: own }, transaction: t });
  await models.Photo.update({ goneAt: now }, { where: { id: own }, transaction: t });
  return own.length;
}

/** Whether a job’s newest seal holds, before anything is taken from it. */
const sealHolds = async (
  models: Models,
  job: Parameters<typeof readJob>[1],
  t: Transaction,
): Promise<boolean> =>
  (await checkSeal(models, await readJob(models, job, RECORD_PARTS, t))).kind === 'whole';

/** What the log says of it: in each of their jobs, and once for the house. It names nobody. */
async function say(
  of: Forgetting,
  customerId: number,
  jobs: readonly { readonly id: number }[],
  counted: { readonly jobs: number; readonly photos: number },
): Promise<void> {
  const entry = { ...of.who, at: of.now, entity: 'keeping', fromVersion: null };
  const what = { what: WHAT, ...(of.photoIds.length > 0 && { photos: of.photoIds.length }) };
  for (const { id } of jobs)
    await writeEntry(of.models, of.t, {
      ...entry,
      jobId: id,
      kind: 'names withdrawn',
      entityId: customerId,
      data: { ...what, why: of.why },
    });
  await writeEntry(of.models, of.t, {
    ...entry,
    jobId: null,
    kind: 'customer forgotten',
    entityId: customerId,
    data: { ...counted, invoices: of.invoices, why: of.why },
  });
}

/**
 * Forgets a customer, with the entries that were joined to theirs: name and contacts go from every row, from the texts that stand
 * apart from the log, from messages, from what was signed, and the photos that are named. The log’s own rows stay as they are.
 */
export async function forget(of: Forgetting, customer: Customer): Promise<{ jobs: number; photos: number }> {
  const { models, t, now } = of;
  const entries = await models.Customer.findAll({
    where: { [Op.or]: [{ id: customer.id }, { mergedInto: customer.id }] },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  const ids = entries.map((e) => e.id);
  const names = mentionsOf(entries);
  const jobs = await models.Job.findAll({ where: { customerId: ids }, transaction: t, lock: t.LOCK.UPDATE });
  const jobIds = jobs.map((j) => j.id);
  const whole = new Map<number, boolean>();
  for (const job of jobs) whole.set(job.id, await sealHolds(models, job, t));
  const photos = await dropPhotos(of, jobIds, of.photoIds);
  await scrubJobs(models, t, jobIds, names, of.invoices);
  for (const entry of entries)
    await entry.update(
      {
        name: `${WITHDRAWN} ${entry.id}`,
        phone: '',
        email: '',
        erasedAt: now,
        version: (entry.version ?? 0) + 1,
      },
      { transaction: t },
    );
  for (const job of await models.Job.findAll({ where: { id: jobIds }, transaction: t }))
    await withdrawFromSeals(models, t, job, names, {
      wasWhole: whole.get(job.id) ?? false,
      at: now,
      what: WHAT,
    });
  await models.EventWords.destroy({ where: { customerId: ids }, transaction: t });
  await models.CustomerLink.update(
    { withdrawnAt: now },
    { where: { jobId: jobIds, withdrawnAt: null }, transaction: t },
  );
  const counted = { jobs: jobs.length, photos };
  await say({ ...of, why: withoutMentions(of.why, names) }, customer.id, jobs, counted);
  return counted;
}

import type { Database } from '../db/connection.ts';
import { jobAsFile } from '../exchange/export-job.ts';
import type { JobFile } from '../exchange/parts.ts';

/** A customer of the book with everything that hangs on them; null when there is none. */
export async function loadCustomer({ models }: Pick<Database, 'models'>, id: number) {
  const customer = await models.Customer.findByPk(id);
  if (!customer || customer.mergedInto !== null) return null;
  const [instruments, jobs] = await Promise.all([
    models.Instrument.findAll({ where: { customerId: id, mergedInto: null }, order: [['id', 'ASC']] }),
    models.Job.findAll({ where: { customerId: id }, order: [['number', 'ASC']] }),
  ]);
  const [all, photos, messages, invoices] = await Promise.all([
    models.Instrument.findAll({ where: { id: jobs.map((j) => j.instrumentId) } }),
    models.Photo.findAll({
      where: { jobId: jobs.map((j) => j.id), removedAt: null, goneAt: null },
      attributes: ['id', 'jobId'],
      order: [['id', 'ASC']],
    }),
    models.MessageRow.count({ where: { jobId: jobs.map((j) => j.id) } }),
    models.InvoiceRow.count({ where: { jobId: jobs.map((j) => j.id) } }),
  ]);
  const called = (i: { maker: string; model: string }) => `${i.maker} ${i.model}`.trim();
  return {
    id,
    version: customer.version,
    name: customer.name,
    phone: customer.phone,
    email: customer.email,
    since: customer.createdAt.toISOString(),
    erasedAt: customer.erasedAt?.toISOString() ?? null,
    instruments: instruments.map((i) => ({ id: i.id, name: called(i), serial: i.serial })),
    jobs: jobs.map((j) => {
      const instrument = all.find((i) => i.id === j.instrumentId);
      return {
        number: j.number,
        state: j.state,
        instrument: instrument ? called(instrument) : '',
        takenInAt: j.takenInAt.toISOString(),
        closedAt: j.closedAt?.toISOString() ?? null,
      };
    }),
    photos: photos.map((p) => ({ id: p.id, number: jobs.find((j) => j.id === p.jobId)?.number ?? 0 })),
    messages,
    invoices,
  };
}

export type ShelfCustomer = NonNullable<Awaited<ReturnType<typeof loadCustomer>>>;

/** Everything that is kept of a customer, as one file. */
export interface CustomerFile {
  readonly format: 'rubrica customer';
  readonly version: 1;
  readonly customer: {
    readonly name: string;
    readonly phone: string;
    readonly email: string;
    readonly since: string;
  };
  readonly instruments: ShelfCustomer['instruments'];
  readonly jobs: readonly JobFile[];
  readonly messages: readonly object[];
  readonly invoices: readonly object[];
}

/** Everything that is kept of a customer; null when there is none. Pictures go with each job’s own file. */
export async function customerFile(db: Database, id: number): Promise<CustomerFile | null> {
  const { models } = db;
  const known = await loadCustomer(db, id);
  if (!known) return null;
  const jobs = await models.Job.findAll({ where: { customerId: id }, order: [['number', 'ASC']] });
  const ofJobs = { where: { jobId: jobs.map((j) => j.id) } };
  const numberOf = (jobId: number): number => jobs.find((j) => j.id === jobId)?.number ?? 0;
  const files: JobFile[] = [];
  for (const job of jobs) {
    const file = await jobAsFile(db, job);
    if (file) files.push(file);
  }
  const [messages, invoices] = await Promise.all([
    models.MessageRow.findAll({ ...ofJobs, order: [['id', 'ASC']] }),
    models.InvoiceRow.findAll({ ...ofJobs, order: [['number', 'ASC']] }),
  ]);
  return {
    format: 'rubrica customer',
    version: 1,
    customer: { name: known.name, phone: known.phone, email: known.email, since: known.since },
    instruments: known.instruments,
    jobs: files,
    messages: messages.map((m) => ({
      job: numberOf(m.jobId ?? 0),
      purpose: m.purpose,
      channel: m.channel,
      address: m.address,
      subject: m.subject,
      state: m.state,
      writtenAt: m.madeAt.toISOString(),
      sentAt: m.doneAt?.toISOString() ?? null,
    })),
    invoices: invoices.map((i) => ({ job: numberOf(i.jobId), number: i.number, content: i.content })),
  };
}

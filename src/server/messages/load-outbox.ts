import type { Database } from '../db/connection.ts';

const SHOWN = 100;

/** The outbox: what went to customers and suppliers, what is on its way, what failed; newest first. */
export async function loadOutbox({ models }: Pick<Database, 'models'>) {
  const rows = await models.MessageRow.findAll({
    where: { channel: ['mail', 'text'] },
    order: [['id', 'DESC']],
    limit: SHOWN,
  });
  const ids = rows.flatMap((r) => (r.jobId === null ? [] : [r.jobId]));
  const jobs = ids.length === 0 ? [] : await models.Job.findAll({ where: { id: ids } });
  return rows.map((m) => ({
    id: m.id,
    /** null where it goes to a supplier */
    number: jobs.find((j) => j.id === m.jobId)?.number ?? null,
    channel: m.channel === 'mail' ? ('mail' as const) : ('text' as const),
    address: m.address,
    subject: m.subject,
    body: m.body,
    calendar: m.calendar,
    state: m.state as 'waiting' | 'delivered' | 'failed',
    trouble: m.trouble,
    tries: m.tries,
    /** what it went by: simulated, smtp, webhook; empty before it was tried */
    wentBy: m.wentBy as string,
    madeAt: m.madeAt.toISOString(),
    dueAt: m.dueAt.toISOString(),
    doneAt: m.doneAt?.toISOString() ?? null,
  }));
}

export type OutboxMessage = Awaited<ReturnType<typeof loadOutbox>>[number];

import { calendarFile } from '../../core/messages/calendar.ts';
import type { Customer } from '../db/models/shop.ts';
import type { Job } from '../db/models/jobs.ts';
import type { MessageRow } from '../db/models/bench.ts';
import { newLink } from '../links/customer-link.ts';
import { newToken } from '../people/tokens.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { shopOf } from '../house/load-shop.ts';
import type { Work } from '../use-case/use-case.ts';

export type Purpose = 'estimate' | 'ready' | 'next-check';

const SUBJECTS: Readonly<Record<Purpose, string>> = {
  estimate: 'your word is wanted',
  ready: 'ready to be played and collected',
  'next-check': 'the check after it has settled',
};

/** Stands in a message's words for the address that is written in when it leaves. */
export const LINK = '{link}';

const addressOf = (customer: Customer | null, channel: MessageRow['channel']): string =>
  (channel === 'mail' ? customer?.email : customer?.phone) ?? '';

/** The day of the next check as a calendar entry. */
export const checkEntry = (
  shop: string,
  job: number,
  instrument: string,
  day: string,
  stamp: number,
): string =>
  calendarFile({
    uid: `check-${job}-${day}@rubrica.invalid`,
    summary: `${instrument}: check after the setup`,
    description: `Bring it by at ${shop}; the check costs nothing. Job ${job}.`,
    where: shop,
    at: day,
    minutes: 0,
    stamp,
  });

/** Writes a message to a job's customer and hands it to the outbox. What it says carries a link only they have. */
export async function queueMessage(
  work: Work,
  job: Job,
  purpose: Purpose,
  channel: MessageRow['channel'],
  nextCheck: string | null,
): Promise<MessageRow> {
  const { models, t, actor, now } = work;
  const [customer, instrument, settings] = await Promise.all([
    models.Customer.findByPk(job.customerId, { transaction: t }),
    models.Instrument.findByPk(job.instrumentId, { transaction: t }),
    models.Setting.findAll({ transaction: t }),
  ]);
  const shop = shopOf(settings).name;
  const name = `${instrument?.maker ?? ''} ${instrument?.model ?? ''}`.trim();
  const kind = purpose === 'estimate' ? 'estimate' : 'sheet';
  // What opens it is made when the message leaves; until then nobody has it, and afterwards only they.
  const link = await newLink(work, job, kind, newToken());
  const words: Readonly<Record<Purpose, string>> = {
    estimate: `There is something to decide about your ${name}. Read it in peace and answer line by line, or ask:`,
    ready: `Your ${name} is ready. Come and play it. What was done stands here:`,
    'next-check': `After some weeks new strings and wood have settled. We have kept ${nextCheck ?? 'a day'} for a look at your ${name}; it costs nothing. What was done stands here:`,
  };
  return models.MessageRow.create(
    {
      jobId: job.id,
      purpose,
      channel,
      address: addressOf(customer, channel),
      subject: `${name}: ${SUBJECTS[purpose]}`.slice(0, 160),
      body: `${customer?.name ?? ''},\n\n${words[purpose]}\n${LINK}\n\n${shop}`,
      calendar:
        purpose === 'next-check' && nextCheck !== null
          ? checkEntry(shop, job.number, name, nextCheck, now.getTime())
          : null,
      linkId: link.id,
      madeBy: actor.personId,
      madeAt: now,
      dueAt: new Date(now.getTime() + gatewayOf(settings).delay * 1000),
    },
    { transaction: t },
  );
}

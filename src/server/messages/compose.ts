import { calendarFile } from '../../core/messages/calendar.ts';
import { sayDateIn, sayWeekIn } from '../../core/messages/in-language.ts';
import { fillTemplate, type Purpose } from '../../core/messages/templates.ts';
import type { Customer } from '../db/models/shop.ts';
import type { Job } from '../db/models/jobs.ts';
import type { MessageRow } from '../db/models/bench.ts';
import { newLink } from '../links/customer-link.ts';
import { newToken } from '../people/tokens.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { openingOf } from '../house/opening.ts';
import { shopOf } from '../house/load-shop.ts';
import { messagesOf } from './settings.ts';
import type { Work } from '../use-case/use-case.ts';

/** Stands in a message's words for the address that is written in when it leaves. */
export const LINK = '{link}';

const addressOf = (customer: Customer | null, channel: 'mail' | 'text'): string =>
  (channel === 'mail' ? customer?.email : customer?.phone) ?? '';

/** The day of the next check as a calendar entry. */
export const checkEntry = (
  shop: string,
  job: number,
  instrument: string,
  day: string,
  stamp: number,
  /** how often it was moved before */
  moved = 0,
): string =>
  calendarFile({
    // The same for the same job: a check that is moved moves in the calendar, too.
    uid: `check-${job}@rubrica.invalid`,
    sequence: moved,
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
  channel: 'mail' | 'text',
  { nextCheck, why = '' }: { readonly nextCheck: string | null; readonly why?: string },
): Promise<MessageRow> {
  const { models, t, actor, now } = work;
  const [customer, instrument, settings] = await Promise.all([
    models.Customer.findByPk(job.customerId, { transaction: t }),
    models.Instrument.findByPk(job.instrumentId, { transaction: t }),
    models.Setting.findAll({ transaction: t }),
  ]);
  const info = shopOf(settings);
  const shop = info.name;
  const name = `${instrument?.maker ?? ''} ${instrument?.model ?? ''}`.trim();
  const kind = purpose === 'estimate' ? 'estimate' : 'sheet';
  // What opens it is made when the message leaves; until then nobody has it, and afterwards only they.
  const link = await newLink(work, job, kind, newToken());
  const { templates, language } = messagesOf(settings);
  const template = templates[purpose];
  const fill = (text: string): string =>
    fillTemplate(text, {
      customer: customer?.name ?? '',
      instrument: name,
      shop,
      job: String(job.number),
      day: nextCheck === null ? 'a day' : sayDateIn(nextCheck, language, info.dates),
      why,
      hours: sayWeekIn(openingOf(settings).hours, language),
    });
  const moved = await models.MessageRow.count({
    where: { jobId: job.id, purpose: 'next-check' },
    transaction: t,
  });
  return models.MessageRow.create(
    {
      jobId: job.id,
      purpose,
      channel,
      address: addressOf(customer, channel),
      subject: fill(template.subject).slice(0, 160),
      body: fill(template.body),
      calendar:
        purpose === 'next-check' && nextCheck !== null
          ? checkEntry(shop, job.number, name, nextCheck, now.getTime(), moved)
          : null,
      linkId: link.id,
      madeBy: actor.personId,
      madeAt: now,
      dueAt: new Date(now.getTime() + gatewayOf(settings).delay * 1000),
    },
    { transaction: t },
  );
}

import { nextCheckDay } from '../../core/hand-over/rules.ts';
import type { Job } from '../db/models/jobs.ts';
import type { HandOver } from '../db/models/work.ts';
import { shopOf } from '../house/load-shop.ts';
import { openingOf } from '../house/opening.ts';
import { rulesOf } from '../house/load-rules.ts';
import type { Work } from '../use-case/use-case.ts';
import { queueMessage } from './compose.ts';

/** Offers the check after the hand-over: its day is kept, and the customer hears of it where they can be reached. */
export async function offerNextCheck(work: Work, job: Job, sheet: HandOver): Promise<void> {
  const { models, t, now } = work;
  const settings = await models.Setting.findAll({ transaction: t });
  const day =
    sheet.nextCheck ??
    nextCheckDay(rulesOf(settings), now.getTime(), shopOf(settings).zone, openingOf(settings));
  await sheet.update({ nextCheck: day }, { transaction: t });
  const customer = await models.Customer.findByPk(job.customerId, { transaction: t });
  const channel = customer?.email ? 'mail' : customer?.phone ? 'text' : null;
  if (channel !== null) await queueMessage(work, job, 'next-check', channel, { nextCheck: day });
}

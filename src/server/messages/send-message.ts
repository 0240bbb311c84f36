import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { gatewaysOf, publicAddress } from './settings.ts';
import { queueMessage } from './compose.ts';

/** Why nothing is written: a link that begins nowhere helps nobody, once messages really leave the house. */
const withoutAddress = (
  settings: readonly { readonly name: string; readonly value: unknown }[],
  channel: 'mail' | 'text',
): Failure | null =>
  gatewaysOf(settings)[channel].simulated || publicAddress(settings) !== ''
    ? null
    : refuse('Customers’ links need the house’s public address: House → Messages.');

/** Writes to the customer: there is something to decide, it is ready, or the check is due. */
export const sendMessage = defineUseCase({
  name: 'desk.message',
  run: async (work, { jobId, purpose, channel, why = '' }) => {
    const { models, t } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    if (purpose === 'estimate' && job.state === 'closed')
      return fail({ code: 'closed', message: `Job ${job.number} is signed and closed.` });
    const customer = await models.Customer.findByPk(job.customerId, { transaction: t });
    const address = channel === 'mail' ? customer?.email : customer?.phone;
    if (!address)
      return fail(
        refuse(
          `There is no ${channel === 'mail' ? 'e-mail address' : 'telephone number'} of ${customer?.name ?? 'theirs'}.`,
        ),
      );
    const unreachable = withoutAddress(await models.Setting.findAll({ transaction: t }), channel);
    if (unreachable) return fail(unreachable);
    if (purpose === 'look' && why === '') return fail(invalidField('why', 'Why is a look offered?'));
    const sheet = await models.HandOver.findOne({ where: { jobId }, transaction: t });
    const message = await queueMessage(work, job, purpose, channel, {
      nextCheck: sheet?.nextCheck ?? null,
      why,
    });
    await recordEvent(work, {
      jobId,
      kind: 'message written',
      entity: 'message',
      entityId: message.id,
      fromVersion: null,
      data: { purpose, channel },
    });
    return ok({ messageId: message.id });
  },
});

/** Gives a message that failed to the gateway once more. */
export const resendMessage = defineUseCase({
  name: 'desk.resend',
  run: async (work, { messageId }) => {
    const { models, t, now } = work;
    const message = await models.MessageRow.findByPk(messageId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!message) return fail({ code: 'not-found', message: 'There is no such message.' });
    if (message.state !== 'failed' || message.channel === 'call')
      return fail(refuse('It is not one that failed.'));
    const { delay } = gatewayOf(await models.Setting.findAll({ transaction: t }));
    await message.update(
      {
        state: 'waiting',
        trouble: '',
        tries: 0,
        doneAt: null,
        dueAt: new Date(now.getTime() + delay * 1000),
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: message.jobId,
      kind: 'message sent again',
      entity: 'message',
      entityId: messageId,
      fromVersion: null,
      data: { purpose: message.purpose },
    });
    return ok({ messageId });
  },
});

import { may } from '../../core/people/roles.ts';
import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { CustomerLink } from '../db/models/bench.ts';
import type { Job } from '../db/models/jobs.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { lookOnly } from '../keep/look-only.ts';
import { rulesOf } from '../house/load-rules.ts';
import { tokenHash, tokenOfCommand } from '../people/tokens.ts';
import { withoutToken } from '../people/secret-answer.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

const DAY_MS = 86_400_000;

/** Makes a link for the customer: its token is told once and kept only as its hash. An older one of its kind ends. */
export async function newLink(
  { models, t, actor, now }: Work,
  job: Job,
  purpose: CustomerLink['purpose'],
  token: string,
): Promise<CustomerLink> {
  const { linkDays } = rulesOf(await models.Setting.findAll({ transaction: t }));
  await models.CustomerLink.update(
    { withdrawnAt: now },
    { where: { jobId: job.id, purpose, withdrawnAt: null }, transaction: t },
  );
  return models.CustomerLink.create(
    {
      jobId: job.id,
      purpose,
      tokenHash: tokenHash(token),
      madeBy: actor.personId,
      madeAt: now,
      expiresAt: new Date(now.getTime() + linkDays * DAY_MS),
    },
    { transaction: t },
  );
}

/** Puts the estimate or the sheet before the customer by a link only they have. */
export const makeLink = defineUseCase({
  name: 'work.link',
  secret: withoutToken,
  run: async (work, { jobId, purpose }) => {
    const { models, t } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    if (purpose === 'estimate' && job.state === 'closed')
      return fail({ code: 'closed', message: `Job ${job.number} is signed and closed.` });
    // Whoever holds the link answers as the customer: only who may answer for them is told it. Others send it to the customer.
    if (purpose === 'estimate' && !may(work.actor.role, 'approve'))
      return fail(
        refuse('The desk, a lead or the owner makes this link. E-mail it or text it to the customer.'),
      );
    const token = tokenOfCommand(work.commandId);
    const link = await newLink(work, job, purpose, token);
    await recordEvent(work, {
      jobId,
      kind: 'link made',
      entity: 'link',
      entityId: link.id,
      fromVersion: null,
      data: { purpose, expiresAt: link.expiresAt },
    });
    return ok({ linkId: link.id, token });
  },
});

/** Takes a link back: it opens nothing any more. */
export const withdrawLink = defineUseCase({
  name: 'work.withdraw-link',
  run: async (work, { linkId }) => {
    const { models, t, now } = work;
    const link = await models.CustomerLink.findByPk(linkId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!link) return fail({ code: 'not-found', message: 'There is no such link.' });
    if (link.withdrawnAt !== null) return fail(refuse('It was taken back already.'));
    await link.update({ withdrawnAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId: link.jobId,
      kind: 'link taken back',
      entity: 'link',
      entityId: linkId,
      fromVersion: null,
      data: { purpose: link.purpose },
    });
    return ok({ linkId });
  },
});

/** The link a token opens now, or null: unknown, ended and taken back are alike to whoever holds it. */
export async function openLink(
  { models }: Pick<Database, 'models'>,
  token: string,
  purpose: CustomerLink['purpose'] | null,
  now: Date,
  t: Transaction | null = null,
): Promise<CustomerLink | null> {
  // A copy that is looked at answers no customer.
  if (!/^[\w-]{43}$/.test(token) || lookOnly() !== null) return null;
  const link = await models.CustomerLink.findOne({ where: { tokenHash: tokenHash(token) }, transaction: t });
  if (!link || link.withdrawnAt !== null || link.expiresAt <= now) return null;
  return purpose === null || link.purpose === purpose ? link : null;
}

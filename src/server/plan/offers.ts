import type { CommandInput } from '../../contracts/commands/commands.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { judge } from '../../core/job/judge.ts';
import { optionsFor, ownOption, type CustomerOption, type OfferContent } from '../../core/plan/options.ts';
import { may } from '../../core/people/roles.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import type { Offer } from '../db/models/plans.ts';
import { recordEvent, writeEntry } from '../use-case/record-event.ts';
import { shopOf } from '../house/load-shop.ts';
import { readJob, type ReadJob } from '../jobs/read-job.ts';
import { withoutToken } from '../people/secret-answer.ts';
import { openJob } from '../jobs/open-job.ts';
import { tokenHash, tokenOfCommand } from '../people/tokens.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const DAY_MS = 86_400_000;

/** What is put before the customer: the plans found, where there are any, and what was written by hand. */
function optionsOf(
  g: ReadJob,
  { own = [], ownOnly = false }: CommandInput<'plan.offer'>,
): Result<CustomerOption[], Failure> {
  const { tax } = g.shop.info;
  const written = own.map((o, i) => ownOption(o, i + 1, g.catalogue, tax));
  if (ownOnly) return written.length > 0 ? ok(written) : fail(refuse('Write one first.'));
  const { problem, plans } = judge(g).planned();
  if ('because' in problem && written.length === 0) return fail(refuse(problem.because));
  return ok([...optionsFor(plans?.plans ?? [], tax), ...written]);
}

/**
 * Puts options before the customer: the link's token is told once and kept only as its hash. Whoever holds it chooses as
 * the customer: only who may answer for them is told it; for others the desk makes the link.
 */
export const makeOffer = defineUseCase({
  name: 'plan.offer',
  secret: {
    kept: ({ token, offerId }) => ({ offerId, told: token !== null }),
    whole: (kept, commandId, place) => {
      const { offerId, told = true } = kept as { readonly offerId: number; readonly told?: boolean };
      return { offerId, token: told ? tokenOfCommand(commandId, place) : null };
    },
  },
  run: async (work, input) => {
    const { jobId, days } = input;
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const g = await readJob(models, opened.value, [], t);
    const options = optionsOf(g, input);
    if (!options.ok) return options;
    const content: OfferContent = {
      instrument: `${g.instrument.maker} ${g.instrument.model}`.trim(),
      complaint: g.job.complaint,
      options: options.value,
    };
    const token = tokenOfCommand(work.commandId);
    // A new link takes the place of those not answered yet: the customer must not choose from what has changed.
    await models.Offer.update(
      { withdrawnAt: now },
      { where: { jobId, choice: null, withdrawnAt: null }, transaction: t },
    );
    const offer = await models.Offer.create(
      {
        jobId,
        tokenHash: tokenHash(token),
        content,
        madeBy: actor.personId,
        madeAt: now,
        expiresAt: new Date(now.getTime() + days * DAY_MS),
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'options offered',
      entity: 'offer',
      entityId: offer.id,
      fromVersion: null,
      data: { options: content.options.map((o) => o.name), expiresAt: offer.expiresAt },
    });
    return ok({ offerId: offer.id, token: may(actor.role, 'approve') ? token : null });
  },
});

/** Makes a link to options that are with the customer; one made before ends. */
export const linkOffer = defineUseCase({
  name: 'plan.offer-link',
  secret: withoutToken,
  run: async (work, { offerId }) => {
    const { models, t, now } = work;
    const offer = await models.Offer.findByPk(offerId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!offer) return fail({ code: 'not-found', message: 'There is no such offer.' });
    const wrong = notOpen(offer, now);
    if (wrong !== null) return fail(refuse(wrong));
    const token = tokenOfCommand(work.commandId);
    await offer.update({ tokenHash: tokenHash(token) }, { transaction: t });
    await recordEvent(work, {
      jobId: offer.jobId,
      kind: 'link made',
      entity: 'offer',
      entityId: offerId,
      fromVersion: null,
      data: { purpose: 'options', expiresAt: offer.expiresAt },
    });
    return ok({ offerId, token });
  },
});

/** Takes a link back: it opens nothing any more. */
export const withdrawOffer = defineUseCase({
  name: 'plan.withdraw-offer',
  run: async (work, { offerId }) => {
    const { models, t, now } = work;
    const offer = await models.Offer.findByPk(offerId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!offer) return fail({ code: 'not-found', message: 'There is no such offer.' });
    if (offer.choice !== null) return fail(refuse('The customer has chosen already.'));
    await offer.update({ withdrawnAt: offer.withdrawnAt ?? now }, { transaction: t });
    await recordEvent(work, {
      jobId: offer.jobId,
      kind: 'offer withdrawn',
      entity: 'offer',
      entityId: offerId,
      fromVersion: null,
      data: {},
    });
    return ok({ offerId });
  },
});

/** Writes down what the customer said at the counter, by telephone or in writing. */
export const recordChoice = defineUseCase({
  name: 'plan.record-choice',
  run: async (work, { offerId, choice, by, how, note }) => {
    const { models, t, now } = work;
    const offer = await models.Offer.findByPk(offerId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!offer) return fail({ code: 'not-found', message: 'There is no such offer.' });
    const wrong = notOpen(offer, now) ?? notThere(offer, choice);
    if (wrong !== null) return fail(refuse(wrong));
    await offer.update(
      { choice, choiceBy: by, choiceHow: how, choiceNote: note, chosenAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: offer.jobId,
      kind: 'option chosen',
      entity: 'offer',
      entityId: offerId,
      fromVersion: null,
      data: { choice, by, how, note },
    });
    return ok({ offerId });
  },
});

/** Why an offer cannot be answered, or null. */
function notOpen(offer: Offer, now: Date): string | null {
  if (offer.choice !== null) return 'This was answered already. Call the shop if you have changed your mind.';
  if (offer.withdrawnAt !== null) return 'These options were taken back. The shop will send new ones.';
  if (offer.expiresAt <= now) return 'These options are too old by now. Call the shop.';
  return null;
}

const notThere = (offer: Offer, choice: string): string | null =>
  offer.content.options.some((o) => o.id === choice) ? null : 'This is not one of the options.';

/** What the link of an offer opens: its options and how it stands. Null where the token opens nothing. */
export async function openOffer({ models }: Database, token: string, now: Date) {
  if (!/^[\w-]{43}$/.test(token)) return null;
  return shownOffer(models, { tokenHash: tokenHash(token) }, now);
}

/** The newest offer of a job as its customer is shown it, or null where none is open or answered. */
export const offerOfJob = ({ models }: Pick<Database, 'models'>, jobId: number, now: Date) =>
  shownOffer(models, { jobId }, now);

async function shownOffer(models: Models, where: { tokenHash: string } | { jobId: number }, now: Date) {
  const offer = await models.Offer.findOne({ where, order: [['id', 'DESC']] });
  if (!offer || (offer.withdrawnAt !== null && offer.choice === null)) return null;
  if (offer.expiresAt <= now && offer.choice === null) return null;
  const shop = shopOf(await models.Setting.findAll());
  return {
    content: offer.content,
    shop,
    expiresAt: offer.expiresAt.toISOString(),
    choice: offer.choice,
    choiceBy: offer.choiceBy,
    chosenAt: offer.chosenAt?.toISOString() ?? null,
  };
}

/**
 * The customer's own answer by the link: recorded once, with the name they gave. No session is needed; the token is the
 * permission, and it opens nothing but this.
 */
export async function answerOffer(
  db: Database,
  token: string,
  answer: { readonly choice: string; readonly by: string; readonly note: string },
  now: Date,
): Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }> {
  if (!/^[\w-]{43}$/.test(token)) return { ok: false, message: 'This link opens nothing.' };
  return answerOfferWhere(db, { tokenHash: tokenHash(token) }, answer, now);
}

/** The same for the newest offer of a job, by another link of the same customer that was checked before. */
export async function answerOfferWhere(
  db: Database,
  where: { readonly tokenHash: string } | { readonly jobId: number },
  answer: { readonly choice: string; readonly by: string; readonly note: string },
  now: Date,
): Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }> {
  return db.sequelize.transaction(async (t) => {
    const offer = await db.models.Offer.findOne({
      where,
      order: [['id', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!offer) return { ok: false, message: 'This link opens nothing.' };
    if (offer.choice === answer.choice && offer.choiceBy === answer.by) return { ok: true };
    const wrong = notOpen(offer, now) ?? notThere(offer, answer.choice);
    if (wrong !== null) return { ok: false, message: wrong };
    await offer.update(
      {
        choice: answer.choice,
        choiceBy: answer.by,
        choiceHow: 'by the link',
        choiceNote: answer.note,
        chosenAt: now,
      },
      { transaction: t },
    );
    await writeEntry(db.models, t, {
      at: now,
      personId: null,
      deviceId: null,
      jobId: offer.jobId,
      kind: 'option chosen',
      entity: 'offer',
      entityId: offer.id,
      fromVersion: null,
      data: { ...answer, how: 'by the link' },
    });
    return { ok: true };
  });
}

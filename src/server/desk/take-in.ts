import { needsSet } from '../../core/job/set-payer.ts';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import { invalidField, refuse } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { tuningName } from '../../core/instrument/defaults.ts';
import type { RelativeWish } from '../../core/targets/target.ts';
import { shopOf } from '../house/load-shop.ts';
import { kindExists } from '../house/kinds.ts';
import { NO_FACTS } from '../../core/job/leaves.ts';
import { countLater } from '../jobs/job-facts.ts';
import { placeTaken } from './places.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

type TakeIn = CommandInput<'desk.take-in'>;

async function customerFor({ models, t, now }: Work, input: TakeIn['customer']) {
  if ('id' in input)
    return models.Customer.findOne({ where: { id: input.id, mergedInto: null }, transaction: t });
  return models.Customer.create({ ...input, createdAt: now }, { transaction: t });
}

/** Keeps the date as promised where the planner had said how likely it is. */
async function promiseWith({ models, t, actor, now }: Work, jobId: number, input: TakeIn): Promise<void> {
  if (input.neededBy === null || input.promisedChance === undefined) return;
  await models.PromiseRow.create(
    {
      jobId,
      day: input.neededBy,
      chance: input.promisedChance.toFixed(3),
      madeBy: actor.personId,
      madeAt: now,
    },
    { transaction: t },
  );
}

async function instrumentFor({ models, t, now }: Work, input: TakeIn['instrument'], customerId: number) {
  if ('id' in input)
    return models.Instrument.findOne({ where: { id: input.id, mergedInto: null }, transaction: t });
  const { construction, kind: _k, ...named } = input;
  return models.Instrument.create(
    {
      ...named,
      customerId,
      kind: input.kind ?? construction.kind,
      scaleMm: String(construction.scale),
      construction,
      createdAt: now,
    },
    { transaction: t },
  );
}

type TakenInstrument = NonNullable<Awaited<ReturnType<typeof instrumentFor>>>;

/** One more than the last; the shop’s first number where that is further on. */
async function nextNumber({ models, t }: Work): Promise<number> {
  const last = await models.Job.findOne({ order: [['number', 'DESC']], transaction: t, lock: t.LOCK.UPDATE });
  const { firstNumber } = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
  return Math.max((last?.number ?? 0) + 1, firstNumber);
}

async function giveThings({ models, t }: Work, jobId: number, things: TakeIn['cameWith']) {
  await models.JobItem.bulkCreate(
    things.map((thing) => ({ jobId, ...thing })),
    { transaction: t },
  );
}

/** The action the customer would like against what is there now, for both sides: it has a number once that was read. */
async function wishAction({ models, t }: Work, jobId: number, relative: RelativeWish) {
  await models.JobTarget.bulkCreate(
    (['bass', 'treble'] as const).map((side) => ({
      jobId,
      quantity: 'action' as const,
      side,
      layer: 'customer' as const,
      relative,
      low: '0',
      aim: '0',
      high: '0',
      reason: 'said at the counter',
      version: 1,
    })),
    { transaction: t },
  );
}

/** Its job, on the bench's side as if nothing was done yet: numbered, in hands, with a round to be read as found. */
async function openJob(work: Work, input: TakeIn, customerId: number, instrument: TakenInstrument) {
  const { models, t, now, actor } = work;
  const {
    customer: _c,
    instrument: _i,
    cameWith,
    actionWish = null,
    together: _t,
    matters = null,
    setPaidBy = null,
    ...facts
  } = input;
  const job = await models.Job.create(
    {
      ...facts,
      matters,
      // Where none is needed, nobody pays for it.
      setPaidBy: needsSet(input.stringsState) ? setPaidBy : null,
      number: await nextNumber(work),
      customerId,
      instrumentId: instrument.id,
      waitingFor: 'hands',
      facts: NO_FACTS,
      takenInAt: now,
      takenInBy: actor.personId,
    },
    { transaction: t },
  );
  await giveThings(work, job.id, cameWith);
  if (actionWish !== null) await wishAction(work, job.id, actionWish);
  await models.Round.create(
    {
      jobId: job.id,
      kind: 'as-found',
      strings: input.stringsState,
      position: 'playing',
      tuning: tuningName(instrument.construction.strings),
      startedAt: now,
    },
    { transaction: t },
  );
  return job;
}

/** Takes an instrument in: customer and instrument found or new, a number, a place, what came with it. */
export const takeIn = defineUseCase({
  name: 'desk.take-in',
  run: async (work, input) => {
    const { models, t } = work;
    if (input.hardDate && input.neededBy === null) {
      return { ok: false, error: invalidField('neededBy', 'A hard date needs a date.') };
    }
    if (
      'construction' in input.instrument &&
      input.instrument.kind &&
      !(await kindExists(work, input.instrument.kind))
    ) {
      return { ok: false, error: refuse('The shop knows no such kind.') };
    }
    const customer = await customerFor(work, input.customer);
    if (!customer) return { ok: false, error: refuse('That customer is not in the book any more.') };
    const instrument = await instrumentFor(work, input.instrument, customer.id);
    if (!instrument) return { ok: false, error: refuse('That instrument is not on the shelf any more.') };
    const inHouse = await models.Job.findOne({
      where: { instrumentId: instrument.id, state: 'open' },
      transaction: t,
    });
    if (inHouse)
      return { ok: false, error: refuse(`That instrument is already here as job ${inHouse.number}.`) };
    const taken = await placeTaken(work, input.placeId, null, input.together ?? false);
    if (taken) return { ok: false, error: taken };
    const job = await openJob(work, input, customer.id, instrument);
    await countLater(work, job);
    await promiseWith(work, job.id, input);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'job taken in',
      entity: 'job',
      entityId: job.id,
      fromVersion: null,
      data: input,
    });
    return ok({ number: job.number, jobId: job.id });
  },
});

import type { Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Instrument } from '../db/models/shop.ts';
import type { NamedCustomer } from '../use-case/record-event.ts';
import type { Work } from '../use-case/use-case.ts';

/** An instrument that stands on the shelf by itself, locked for who changes something of it. */
export async function standingInstrument(
  { models, t }: Work,
  instrumentId: number,
): Promise<Result<Instrument, Failure>> {
  const instrument = await models.Instrument.findByPk(instrumentId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!instrument || instrument.mergedInto !== null)
    return fail({ code: 'not-found', message: 'That instrument is not on the shelf any more.' });
  return ok(instrument);
}

/** What an instrument is called in the log. */
export const called = ({ maker, model }: Pick<Instrument, 'maker' | 'model'>): string =>
  `${maker} ${model}`.trim();

/** Whom words about an instrument may name: the log keeps such words apart. */
export async function ownerOf(
  { models, t }: Work,
  { customerId }: Pick<Instrument, 'customerId'>,
): Promise<readonly NamedCustomer[]> {
  const owner = await models.Customer.findByPk(customerId, { transaction: t });
  return owner ? [owner] : [];
}

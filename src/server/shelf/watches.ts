import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { called, ownerOf, standingInstrument } from './standing-instrument.ts';

/** A limit beyond this is in another unit, mm. */
const MOST = 20;

function limitOf(typed: string, unit: LengthUnit): Result<number, Failure> {
  const read = parseLength(typed, bareUnit(typed, unit));
  if (!read.ok) return fail(invalidField('limit', read.error.message));
  return Math.abs(read.value.mm) > MOST
    ? fail(invalidField('limit', `That is ${read.value.mm.toFixed(0)} mm. Which unit?`))
    : ok(read.value.mm);
}

/** Watches something on an instrument: past its limit something is to be done. One thing is watched once. */
export const setWatch = defineUseCase({
  name: 'shelf.watch',
  run: async (work, { instrumentId, what, limit, unit, side, note }) => {
    const { models, t, actor, now } = work;
    const instrument = await standingInstrument(work, instrumentId);
    if (!instrument.ok) return instrument;
    const mm = limitOf(limit, unit);
    if (!mm.ok) return mm;
    const known = await models.Watch.findOne({
      where: { instrumentId, what, side, endedAt: null },
      transaction: t,
    });
    if (known) return fail(refuse('That is watched already: change its limit.'));
    const row = await models.Watch.create(
      { instrumentId, what, limit: mm.value.toFixed(9), side, note, madeBy: actor.personId, madeAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'watch set',
      entity: 'watch',
      entityId: row.id,
      fromVersion: null,
      data: { instrument: called(instrument.value), what, side, limit: mm.value, note },
      names: await ownerOf(work, instrument.value),
    });
    return ok({ watchId: row.id });
  },
});

/** Changes the limit of something watched, or ends it. */
export const changeWatch = defineUseCase({
  name: 'shelf.change-watch',
  run: async (work, { watchId, version, limit, unit, side, note, ended }) => {
    const { models, t, actor, now } = work;
    const row = await models.Watch.findByPk(watchId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row || row.endedAt !== null)
      return fail({ code: 'not-found', message: 'That is not watched any more.' });
    if (row.version !== version)
      return conflict(work, null, `a limit of ${Number(row.limit).toFixed(2)} mm`, row.version);
    const mm = limitOf(limit, unit);
    if (!mm.ok) return mm;
    const instrument = await models.Instrument.findByPk(row.instrumentId, {
      transaction: t,
      rejectOnEmpty: true,
    });
    await row.update(
      {
        limit: mm.value.toFixed(9),
        side,
        note,
        version: version + 1,
        ...(ended && { endedAt: now, endedBy: actor.personId }),
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: ended ? 'watch ended' : 'watch changed',
      entity: 'watch',
      entityId: watchId,
      fromVersion: version,
      data: { instrument: called(instrument), what: row.what, side, limit: mm.value, note },
      names: await ownerOf(work, instrument),
    });
    return ok({ version: version + 1 });
  },
});

import { fail, ok } from '../../core/result.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { called, ownerOf, standingInstrument } from './standing-instrument.ts';

/** Says whether a part is original, by what that is known and what was looked up where. */
export const sayOriginality = defineUseCase({
  name: 'shelf.originality',
  run: async (work, { instrumentId, part, version, ...said }) => {
    const { models, t, actor, now } = work;
    const instrument = await standingInstrument(work, instrumentId);
    if (!instrument.ok) return instrument;
    const known = await models.Originality.findOne({ where: { instrumentId, part }, transaction: t });
    if ((known?.version ?? 0) !== version)
      return conflict(work, known?.saidBy ?? null, known?.state ?? 'nothing', known?.version ?? 0);
    const row = { ...said, saidBy: actor.personId, saidAt: now, version: version + 1 };
    if (known) await known.update(row, { transaction: t });
    else await models.Originality.create({ instrumentId, part, ...row }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'originality said',
      entity: 'instrument',
      entityId: instrumentId,
      fromVersion: version,
      data: { instrument: called(instrument.value), part, ...said },
      names: await ownerOf(work, instrument.value),
    });
    return ok({ version: version + 1 });
  },
});

/** Keeps a part of an instrument: what it is, where it lies, its measures. */
export const keepPart = defineUseCase({
  name: 'shelf.keep-part',
  run: async (work, { instrumentId, ...said }) => {
    const { models, t, actor, now } = work;
    const instrument = await standingInstrument(work, instrumentId);
    if (!instrument.ok) return instrument;
    const row = await models.KeptPart.create(
      { instrumentId, ...said, keptBy: actor.personId, keptAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'part kept',
      entity: 'kept part',
      entityId: row.id,
      fromVersion: null,
      data: { instrument: called(instrument.value), ...said },
      names: await ownerOf(work, instrument.value),
    });
    return ok({ partId: row.id });
  },
});

/** Changes what is said of a kept part, or where it went. */
export const changePart = defineUseCase({
  name: 'shelf.change-part',
  run: async (work, { partId, version, ...said }) => {
    const { models, t, now } = work;
    const row = await models.KeptPart.findByPk(partId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) return fail({ code: 'not-found', message: 'That part is not in the book.' });
    if (row.version !== version) return conflict(work, row.keptBy, row.name, row.version);
    const instrument = await models.Instrument.findByPk(row.instrumentId, {
      transaction: t,
      rejectOnEmpty: true,
    });
    const goneAt = said.gone === '' ? null : (row.goneAt ?? now);
    await row.update({ ...said, goneAt, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'kept part changed',
      entity: 'kept part',
      entityId: partId,
      fromVersion: version,
      data: { instrument: called(instrument), ...said },
      names: await ownerOf(work, instrument),
    });
    return ok({ version: version + 1 });
  },
});

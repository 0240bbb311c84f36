import { fail, ok } from '../../core/result.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { called, ownerOf, standingInstrument } from './standing-instrument.ts';

/** Keeps what a part inside an instrument is, its value, and which wire goes where. */
export const sayInside = defineUseCase({
  name: 'shelf.inside',
  run: async (work, { instrumentId, ...said }) => {
    const { models, t, actor, now } = work;
    const instrument = await standingInstrument(work, instrumentId);
    if (!instrument.ok) return instrument;
    const row = await models.InsidePart.create(
      { instrumentId, ...said, saidBy: actor.personId, saidAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'inside said',
      entity: 'part inside',
      entityId: row.id,
      fromVersion: null,
      data: { instrument: called(instrument.value), ...said },
      names: await ownerOf(work, instrument.value),
    });
    return ok({ partId: row.id });
  },
});

/** Changes what is said of a part inside, or why it is not in there any more. */
export const changeInside = defineUseCase({
  name: 'shelf.change-inside',
  run: async (work, { partId, version, ...said }) => {
    const { models, t, actor, now } = work;
    const row = await models.InsidePart.findByPk(partId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) return fail({ code: 'not-found', message: 'That part is not in the book.' });
    if (row.version !== version)
      return conflict(work, row.saidBy, `${row.name} ${row.value}`.trim(), row.version);
    const instrument = await models.Instrument.findByPk(row.instrumentId, {
      transaction: t,
      rejectOnEmpty: true,
    });
    const { name, value, wires, note, gone } = row;
    await row.update(
      {
        ...said,
        goneAt: said.gone === '' ? null : (row.goneAt ?? now),
        saidBy: actor.personId,
        saidAt: now,
        version: version + 1,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'inside changed',
      entity: 'part inside',
      entityId: partId,
      fromVersion: version,
      data: { instrument: called(instrument), ...said, before: { name, value, wires, note, gone } },
      names: await ownerOf(work, instrument),
    });
    return ok({ version: version + 1 });
  },
});

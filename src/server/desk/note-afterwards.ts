import { ok } from '../../core/result.ts';
import { called, standingInstrument } from '../shelf/standing-instrument.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Notes what came of calling an instrument's owner about a check, something watched or the season. */
export const noteAfterwards = defineUseCase({
  name: 'desk.afterwards',
  run: async (work, { instrumentId, source, outcome, note, againOn }) => {
    const { models, t, actor, now } = work;
    const instrument = await standingInstrument(work, instrumentId);
    if (!instrument.ok) return instrument;
    const row = await models.Afterward.create(
      { instrumentId, source, outcome, note, againOn, madeBy: actor.personId, madeAt: now },
      { transaction: t },
    );
    const last = await models.Job.findOne({
      where: { instrumentId },
      order: [['number', 'DESC']],
      transaction: t,
    });
    await recordEvent(work, {
      jobId: last?.id ?? null,
      kind: 'asked afterwards',
      entity: 'instrument',
      entityId: instrumentId,
      fromVersion: null,
      data: { instrument: called(instrument.value), source, outcome, note, againOn },
    });
    return ok({ noteId: row.id });
  },
});

import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { cutPlaces, isCutOperation, whyNoSuchCut } from '../../core/work/cuts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** A length out of one field, mm; nothing less than nought. */
function lengthAt(field: 'meant' | 'took', typed: string, unit: LengthUnit): Result<number, Failure> {
  const read = parseLength(typed, bareUnit(typed, unit));
  if (!read.ok) return fail(invalidField(field, read.error.message));
  return read.value.mm < 0
    ? fail(invalidField(field, 'What comes off is not less than nothing.'))
    : ok(read.value.mm);
}

/** Logs a cut of the saddle or of a nut slot where it is made: what was meant and what came off, as measured. */
export const logCut = defineUseCase({
  name: 'work.cut',
  run: async (work, { lineId, place, meant, took, unit }) => {
    const { models, t, actor, now } = work;
    const line = await models.WorkLine.findByPk(lineId, { transaction: t });
    if (!line) return fail({ code: 'not-found', message: 'This line is not on the work order any more.' });
    const opened = await openJob(work, line.jobId);
    if (!opened.ok) return opened;
    if (!isCutOperation(line.operation)) return fail(refuse('Nothing of the saddle or the nut is cut here.'));
    if (line.step !== 'running' && line.step !== 'paused') return fail(refuse('Start the step first.'));
    const instrument = await models.Instrument.findByPk(opened.value.instrumentId, {
      transaction: t,
      rejectOnEmpty: true,
    });
    if (!cutPlaces(line.operation, instrument.construction).includes(place))
      return fail(invalidField('place', 'This instrument has no such place.'));
    const was = lengthAt('meant', meant, unit);
    if (!was.ok) return was;
    const came = lengthAt('took', took, unit);
    if (!came.ok) return came;
    const why = whyNoSuchCut(was.value, came.value);
    if (why !== null) return fail(invalidField('took', why));
    const cut = await models.CutRow.create(
      {
        jobId: line.jobId,
        lineId,
        operation: line.operation,
        place,
        meant: was.value.toFixed(9),
        took: came.value.toFixed(9),
        typed: `${meant}; ${took}`,
        madeBy: actor.personId,
        madeAt: now,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: line.jobId,
      kind: 'cut logged',
      entity: 'cut',
      entityId: cut.id,
      fromVersion: null,
      data: { operation: line.operation, place, meant: was.value, took: came.value },
    });
    return ok({ cutId: cut.id });
  },
});

/** Takes back a cut that was logged by mistake. */
export const takeBackCut = defineUseCase({
  name: 'work.take-back-cut',
  run: async (work, { cutId, version }) => {
    const { models, t } = work;
    const found = await models.CutRow.findByPk(cutId, { transaction: t });
    if (!found) return fail({ code: 'not-found', message: 'This cut is not logged any more.' });
    const opened = await openJob(work, found.jobId);
    if (!opened.ok) return opened;
    if (found.version !== version) return conflict(work, found.madeBy, found.took, found.version);
    await found.destroy({ transaction: t });
    await recordEvent(work, {
      jobId: found.jobId,
      kind: 'cut taken back',
      entity: 'cut',
      entityId: cutId,
      fromVersion: version,
      data: {
        operation: found.operation,
        place: found.place,
        meant: Number(found.meant),
        took: Number(found.took),
      },
    });
    return ok({ cutId });
  },
});

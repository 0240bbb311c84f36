import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { kindExists } from '../house/kinds.ts';
import { countLater } from '../jobs/job-facts.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * Changes what an instrument is: its names, a date found inside with its place, its construction. Open jobs are asked and
 * read by the new facts at once; what was signed keeps what it was signed for.
 */
export const changeInstrument = defineUseCase({
  name: 'shelf.change-instrument',
  run: async (work, { instrumentId, version, construction, ...named }) => {
    const { models, t } = work;
    const instrument = await models.Instrument.findByPk(instrumentId, {
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!instrument || instrument.mergedInto !== null) {
      return fail({ code: 'not-found', message: 'That instrument is not on the shelf any more.' });
    }
    if (instrument.version !== version)
      return conflict(work, null, 'what this instrument is', instrument.version);
    if (!(await kindExists(work, named.kind))) return fail(refuse('The shop knows no such kind.'));
    const { maker, model, year, yearFrom, serial, kind: before, construction: was } = instrument;
    await instrument.update(
      { ...named, construction, scaleMm: String(construction.scale), learnedAt: null, version: version + 1 },
      { transaction: t },
    );
    const open = await models.Job.findOne({
      where: { instrumentId, state: 'open' },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (open) await countLater(work, open);
    await recordEvent(work, {
      jobId: open?.id ?? null,
      kind: 'instrument changed',
      entity: 'instrument',
      entityId: instrumentId,
      fromVersion: version,
      data: {
        before: { maker, model, year, yearFrom, serial, kind: before, construction: was },
        after: { ...named, construction },
      },
    });
    return ok({ version: version + 1 });
  },
});

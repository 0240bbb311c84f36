import { invalidField } from '../../contracts/failure.ts';
import type { CommandInput } from '../../contracts/commands.ts';
import { notRepresentative } from '../../core/readings/conditions.ts';
import { readEntry } from '../../core/readings/entry.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { stationKey, stationsOf } from '../../core/readings/stations.ts';
import { ok } from '../../core/result.ts';
import type { ReadingRow, Round } from '../db/models/readings.ts';
import { recordEvent } from '../events/record-event.ts';
import { refreshFacts } from '../job/job-facts.ts';
import { conflict, openJob } from '../job/open-job.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { openRound } from './open-round.ts';

type Save = CommandInput<'readings.save'>;

const values = ({ actor, now }: Work, input: Save, round: Round, read: { value: number; unit: string }) => ({
  value: read.value.toFixed(9),
  typed: input.typed,
  unit: read.unit,
  method: QUANTITY_FACTS[input.quantity].method,
  gauge: QUANTITY_FACTS[input.quantity].gauge,
  strings: round.strings,
  position: round.position,
  notRepresentative: notRepresentative(round, input.quantity),
  takenBy: actor.personId,
  takenAt: now,
  version: input.version + 1,
});

const shown = (r: ReadingRow) => ({
  typed: r.typed,
  value: r.value,
  unit: r.unit,
  takenBy: r.takenBy,
  takenAt: r.takenAt,
});

/**
 * Keeps one reading of a round: the typed text, what it means, and the conditions it was taken under. A colleague's
 * reading of the same place is never silently replaced: both values come back.
 */
export const saveReading = defineUseCase({
  name: 'readings.save',
  needs: 'measure',
  run: async (work, input) => {
    const { models, t } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const instrument = await models.Instrument.findByPk(opened.value.instrumentId, { transaction: t });
    const key = stationKey(input.quantity, input.string, input.fret);
    if (!instrument || !stationsOf(instrument.construction).some((s) => s.key === key)) {
      return { ok: false, error: invalidField('quantity', 'This instrument is not read at that place.') };
    }
    const read = readEntry(input.typed, input.quantity, input.unit);
    if (!read.ok) return { ok: false, error: invalidField('typed', read.error.message) };
    const round = await openRound(work, opened.value, input.round);
    const where = { roundId: round.id, quantity: input.quantity, stringNo: input.string, fret: input.fret };
    const known = await models.ReadingRow.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== input.version) {
      return conflict(work, known?.takenBy ?? null, known?.typed ?? 'nothing', known?.version ?? 0);
    }
    const before = known ? shown(known) : null;
    const kept = values(work, input, round, read.value);
    if (known) await known.update(kept, { transaction: t });
    else await models.ReadingRow.create({ ...where, ...kept }, { transaction: t });
    await refreshFacts(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'reading taken',
      entity: 'reading',
      entityId: `${input.round}:${key}`,
      fromVersion: input.version,
      data: { before, after: { typed: kept.typed, value: kept.value, unit: kept.unit } },
    });
    return ok({ version: kept.version, value: read.value.value, notRepresentative: kept.notRepresentative });
  },
});

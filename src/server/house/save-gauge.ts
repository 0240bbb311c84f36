import { invalidField, refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { GaugeRow } from '../db/models/gauges.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const overtaken = (row: GaugeRow) =>
  fail({
    code: 'conflict' as const,
    message: 'Somebody changed this gauge meanwhile. Your changes are kept here.',
    theirs: { by: 'a colleague', says: row.name, version: row.version },
  });

/** Keeps a gauge of the shop; id 0 is a new one. Readings taken with it keep the uncertainty they were taken with. */
export const saveGauge = defineUseCase({
  name: 'house.save-gauge',
  run: async (work, { id, version, ...input }) => {
    const { models, t } = work;
    const namesake = await models.GaugeRow.findOne({ where: { name: input.name }, transaction: t });
    if (namesake && namesake.id !== id) {
      return { ok: false, error: invalidField('name', 'Another gauge goes by this name.') };
    }
    const values = {
      ...input,
      resolution: input.resolution.toFixed(9),
      zeroOffset: input.zeroOffset.toFixed(9),
    };
    const known =
      id === 0 ? null : await models.GaugeRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (id !== 0 && !known) return { ok: false, error: refuse('This gauge is not known any more.') };
    if (known && known.version !== version) return overtaken(known);
    const row = known
      ? await known.update({ ...values, version: version + 1 }, { transaction: t })
      : await models.GaugeRow.create(values, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'gauge kept',
      entity: 'gauge',
      entityId: row.id,
      fromVersion: version,
      data: { ...values },
    });
    return ok({ gaugeId: row.id });
  },
});

/** Compares a gauge with a reference: what it shows too much is its zero offset from now on, and it is not due for a while. */
export const checkGauge = defineUseCase({
  name: 'house.check-gauge',
  run: async (work, { gaugeId, version, reference, shows }) => {
    const { models, t, now } = work;
    const row = await models.GaugeRow.findByPk(gaugeId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) return { ok: false, error: refuse('This gauge is not known any more.') };
    if (row.version !== version) return overtaken(row);
    const before = { zeroOffset: row.zeroOffset, checkedAt: row.checkedAt };
    const after = { zeroOffset: (shows - reference).toFixed(9), checkedAt: now };
    await row.update({ ...after, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'gauge checked',
      entity: 'gauge',
      entityId: row.id,
      fromVersion: version,
      data: { before, after, reference, shows },
    });
    return ok({ version: row.version });
  },
});

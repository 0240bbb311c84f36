import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const HOUR_MS = 3_600_000;
/** A logger's clock may be ahead by so much; what lies further on is a wrong date. */
const AHEAD_HOURS = 25;

/** Brings in what a logger wrote down: an hour that is known already stays as it is. */
export const bringAir = defineUseCase({
  name: 'house.bring-air',
  run: async (work, { name, hours }) => {
    const { models, t, actor, now } = work;
    const given = new Map(hours.map((h) => [h[0], h]));
    const order = [...given.keys()].sort((a, b) => a - b);
    const [first = 0, last = 0] = [order[0], order.at(-1)];
    if (last > now.getTime() / HOUR_MS + AHEAD_HOURS)
      return fail({
        code: 'invalid',
        fields: {},
        message: `The file speaks of ${new Date(last * HOUR_MS).toISOString().slice(0, 10)}, which is still to come. Look at the logger’s clock, or at the order of day and month.`,
      });
    const known = new Set(
      (
        await models.AirHour.findAll({
          attributes: ['at'],
          where: { at: order.map((h) => new Date(h * HOUR_MS)) },
          transaction: t,
          lock: t.LOCK.UPDATE,
          raw: true,
        })
      ).map((r) => new Date(r.at).getTime() / HOUR_MS),
    );
    const fresh = order.flatMap((h) => (known.has(h) ? [] : [given.get(h)])).filter((h) => h !== undefined);
    if (fresh.length === 0) return ok({ added: 0, known: known.size });
    const log = await models.AirLog.create(
      {
        name,
        hours: fresh.length,
        fromAt: new Date(first * HOUR_MS),
        toAt: new Date((last + 1) * HOUR_MS),
        broughtBy: actor.personId,
        broughtAt: now,
      },
      { transaction: t },
    );
    await models.AirHour.bulkCreate(
      fresh.map(([hour, humidity, temperature]) => ({
        at: new Date(hour * HOUR_MS),
        humidity: String(humidity),
        temperature: temperature === null ? null : String(temperature),
        logId: log.id,
      })),
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'air brought in',
      entity: 'air log',
      entityId: log.id,
      fromVersion: null,
      data: { name, hours: fresh.length, from: log.fromAt, to: log.toAt },
    });
    return ok({ added: fresh.length, known: known.size });
  },
});

/** Takes a logger's file out again, with every hour it brought. */
export const takeBackAir = defineUseCase({
  name: 'house.take-back-air',
  run: async (work, { logId }) => {
    const { models, t } = work;
    const log = await models.AirLog.findByPk(logId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!log) return fail({ code: 'not-found', message: 'This file was taken out already.' });
    await models.AirHour.destroy({ where: { logId }, transaction: t });
    await log.destroy({ transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'air taken out',
      entity: 'air log',
      entityId: logId,
      fromVersion: null,
      data: { name: log.name, hours: log.hours },
    });
    return ok({ logId });
  },
});

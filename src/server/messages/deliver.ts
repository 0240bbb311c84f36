import { Op } from 'sequelize';
import { standInGateway, type MessageGateway } from '../../devices/message-gateway.ts';
import type { Database } from '../db/connection.ts';
import { gatewayOf } from '../house/load-rules.ts';

const AT_ONCE = 20;

/**
 * Gives what is due to the gateway, each message once: its row is held while it goes. Runs wherever somebody listens to the
 * house; two processes never send the same one.
 * @returns how many went, one way or the other
 */
export async function deliverDue(db: Database, now: Date, gateway?: MessageGateway): Promise<number> {
  const { models, sequelize } = db;
  const waiting = await models.MessageRow.findAll({
    where: { state: 'waiting', dueAt: { [Op.lte]: now } },
    attributes: ['id'],
    order: [['id', 'ASC']],
    limit: AT_ONCE,
  });
  if (waiting.length === 0) return 0;
  const by = gateway ?? standInGateway(gatewayOf(await models.Setting.findAll()));
  let done = 0;
  for (const { id } of waiting) {
    await sequelize.transaction(async (t) => {
      const row = await models.MessageRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
      if (row?.state !== 'waiting') return;
      const { channel, address, subject, body, calendar, tries } = row;
      const went = await by.send({ id, channel, address, subject, body, calendar, tries });
      await row.update(
        {
          state: went.ok ? 'delivered' : 'failed',
          trouble: went.ok ? '' : went.trouble.slice(0, 200),
          tries: tries + 1,
          doneAt: now,
        },
        { transaction: t },
      );
      await models.EventRow.create(
        {
          at: now,
          personId: null,
          deviceId: null,
          jobId: row.jobId,
          kind: went.ok ? 'message delivered' : 'message failed',
          entity: 'message',
          entityId: String(id),
          fromVersion: null,
          data: { purpose: row.purpose, channel, by: by.name, ...(went.ok ? {} : { trouble: went.trouble }) },
        },
        { transaction: t },
      );
      done++;
    });
  }
  return done;
}

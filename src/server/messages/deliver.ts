import { Op, type Transaction } from 'sequelize';
import { standInGateway, type MessageGateway } from '../../devices/message-gateway.ts';
import type { Database } from '../db/connection.ts';
import type { MessageRow } from '../db/models/bench.ts';
import type { Models } from '../db/models/index.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { newToken, tokenHash } from '../people/tokens.ts';
import { LINK } from './compose.ts';

const AT_ONCE = 20;

const publicUrl = (): string => (process.env['RUBRICA_PUBLIC_URL'] ?? '').replace(/\/$/, '');

/** A message's words with the address of its link, whose token is made now and kept as its hash alone. */
async function withLink(models: Models, t: Transaction, row: MessageRow): Promise<string> {
  if (!row.body.includes(LINK) || row.linkId === null) return row.body;
  const link = await models.CustomerLink.findByPk(row.linkId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!link) return row.body;
  const token = newToken();
  await link.update({ tokenHash: tokenHash(token) }, { transaction: t });
  return row.body.replace(LINK, `${publicUrl()}/${link.purpose}/${token}`);
}

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
      const { channel, address, subject, calendar, tries } = row;
      const body = await withLink(models, t, row);
      const went = await by.send({ id, channel, address, subject, body, calendar, tries });
      await row.update(
        {
          state: went.ok ? 'delivered' : 'failed',
          // What it said is theirs now.
          ...(went.ok && { body: '' }),
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

import { randomUUID } from 'node:crypto';
import { writeEntry } from '../use-case/record-event.ts';
import { Op, type Transaction } from 'sequelize';
import { pauseAfter } from '../../core/messages/pauses.ts';
import type { Delivery, MessageGateway } from '../../devices/message-gateway.ts';
import type { Database } from '../db/connection.ts';
import type { MessageRow } from '../db/models/bench.ts';
import type { Models } from '../db/models/index.ts';
import { newToken, tokenHash } from '../people/tokens.ts';
import { LINK } from './compose.ts';
import { gatewaysOf, publicAddress } from './settings.ts';

const AT_ONCE = 20;
/** How long who claimed a message is trusted to be sending it; after that somebody else may. */
const CLAIM_MS = 120_000;

/** A message on its way: claimed, with the address of its link written in. */
interface Claimed {
  readonly row: MessageRow;
  readonly claim: string;
  readonly body: string;
}

/** A message's words with the address of its link, whose token is made now and kept as its hash alone. */
async function withLink(models: Models, t: Transaction, row: MessageRow, address: string): Promise<string> {
  if (!row.body.includes(LINK) || row.linkId === null) return row.body;
  const link = await models.CustomerLink.findByPk(row.linkId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!link) return row.body;
  const token = newToken();
  await link.update({ tokenHash: tokenHash(token) }, { transaction: t });
  return row.body.replace(LINK, `${address}/${link.purpose}/${token}`);
}

/** Claims a message that is due, in a moment: nothing is locked while it goes. Null where somebody else has it. */
async function claimOne(
  { models, sequelize }: Database,
  id: number,
  now: Date,
  address: string,
): Promise<Claimed | null> {
  return sequelize.transaction(async (t) => {
    const row = await models.MessageRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    const free = row?.state === 'waiting' && (row.claimedUntil === null || row.claimedUntil <= now);
    if (!row || !free) return null;
    const claim = randomUUID();
    await row.update({ claim, claimedUntil: new Date(now.getTime() + CLAIM_MS) }, { transaction: t });
    return { row, claim, body: await withLink(models, t, row, address) };
  });
}

/** Writes down how it went: delivered, failed, or to be tried again after a pause. Only who holds the claim may. */
async function writeDown(
  { models, sequelize }: Database,
  { row, claim }: Claimed,
  went: Delivery,
  by: MessageGateway,
  now: Date,
): Promise<boolean> {
  return sequelize.transaction(async (t) => {
    const held = await models.MessageRow.findOne({
      where: { id: row.id, claim, state: 'waiting' },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!held) return false;
    const tries = held.tries + 1;
    const pause = went.ok ? null : pauseAfter(tries, went.temporary === true);
    const rests = !went.ok && pause !== null;
    await held.update(
      {
        claim: null,
        claimedUntil: null,
        tries,
        wentBy: by.name,
        trouble: went.ok ? '' : went.trouble.slice(0, 200),
        ...(rests
          ? { dueAt: new Date(now.getTime() + pause) }
          : { state: went.ok ? ('delivered' as const) : ('failed' as const), doneAt: now }),
        // What it said is theirs now.
        ...(went.ok && { body: '' }),
      },
      { transaction: t },
    );
    if (rests) return true;
    await writeEntry(models, t, {
      at: now,
      personId: null,
      deviceId: null,
      jobId: held.jobId,
      kind: went.ok ? 'message delivered' : 'message failed',
      entity: 'message',
      entityId: held.id,
      fromVersion: null,
      data: {
        purpose: held.purpose,
        channel: held.channel,
        by: by.name,
        ...(went.ok ? {} : { trouble: went.trouble }),
      },
    });
    return true;
  });
}

/**
 * Gives what is due to the services the shop named. A message is claimed first and sent outside any lock; two processes never
 * send the same one, and one whose sender died is sent by another once the claim is over. What cannot go for now rests for
 * longer each time.
 * @returns how many were tried
 */
export async function deliverDue(db: Database, now: Date, gateway?: MessageGateway): Promise<number> {
  const { models } = db;
  const waiting = await models.MessageRow.findAll({
    where: {
      state: 'waiting',
      dueAt: { [Op.lte]: now },
      [Op.or]: [{ claimedUntil: null }, { claimedUntil: { [Op.lte]: now } }],
    },
    attributes: ['id'],
    order: [['id', 'ASC']],
    limit: AT_ONCE,
  });
  if (waiting.length === 0) return 0;
  const settings = await models.Setting.findAll();
  const [gateways, address] = [gatewaysOf(settings), publicAddress(settings)];
  let done = 0;
  for (const { id } of waiting) {
    const claimed = await claimOne(db, id, now, address);
    if (!claimed) continue;
    const { row, body } = claimed;
    const { subject, calendar, tries } = row;
    // A call never waits to be sent.
    const channel = row.channel === 'mail' ? 'mail' : 'text';
    const by = gateway ?? gateways[channel];
    const went = await by.send({ id, channel, address: row.address, subject, body, calendar, tries });
    if (await writeDown(db, claimed, went, by, now)) done++;
  }
  return done;
}

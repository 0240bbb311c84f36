import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { dayIn } from '../../core/days/zone.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { missingOf, usuallyBy } from '../../core/stock/orders.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import { sayQuantity } from '../../core/stock/sorts.ts';
import type { OrderHead, OrderLine } from '../db/models/orders.ts';
import type { StockItem } from '../db/models/stock.ts';
import { shopOf } from '../house/load-shop.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { jobsAwaiting, letterOf } from './read-orders.ts';
import { hangAllByParts } from './wants.ts';

/** An order that somebody saw at a version, nobody else changing it until this is done. */
export async function lockedOrder(
  work: Work,
  orderId: number,
  version: number,
): Promise<Result<OrderHead, Failure>> {
  const { models, t } = work;
  const head = await models.OrderHead.findByPk(orderId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!head) return fail({ code: 'not-found', message: 'There is no such order.' });
  if (head.version !== version) return conflict(work, null, `order ${head.id}`, head.version);
  return ok(head);
}

/** What is on an order, by the row of its items. */
export async function linesOf(
  { models, t }: Work,
  orderId: number,
): Promise<{ readonly lines: readonly OrderLine[]; readonly items: readonly StockItem[] }> {
  const lines = await models.OrderLine.findAll({
    where: { orderId },
    order: [['itemId', 'ASC']],
    transaction: t,
  });
  const items = await models.StockItem.findAll({
    where: { id: lines.map((l) => l.itemId) },
    transaction: t,
  });
  return { lines, items };
}

/** Moves the version on and lets the jobs know that wait for what is on it. */
export async function orderChanged(work: Work, head: OrderHead, itemIds: readonly number[]): Promise<number> {
  await head.update({ version: head.version + 1 }, { transaction: work.t });
  await hangAllByParts(work, await jobsAwaiting(work.models, itemIds, work.t));
  return head.version;
}

type Rows = readonly { readonly itemId: number; readonly quantity: number }[];

/** What is wrong with the rows of an order, or null. */
async function wrongRows(
  { models, t }: Work,
  rows: Rows,
  known: readonly OrderLine[],
): Promise<string | null> {
  const ids = rows.map((r) => r.itemId);
  if (new Set(ids).size < ids.length) return 'An item stands twice on it.';
  const there = await models.StockItem.count({ where: { id: ids }, transaction: t });
  if (there < ids.length) return 'One of these is on no shelf.';
  const gone = known.some((l) => Number(l.came) > 0 && !ids.includes(l.itemId));
  return gone ? 'Some of a row has come: it stays on the order.' : null;
}

/** Puts the rows of an order as they are said; what came of them stays. */
async function putRows(
  { models, t }: Work,
  orderId: number,
  rows: Rows,
  known: readonly OrderLine[],
): Promise<void> {
  for (const l of known.filter((x) => !rows.some((r) => r.itemId === x.itemId)))
    await l.destroy({ transaction: t });
  for (const { itemId, quantity } of rows) {
    const line = known.find((l) => l.itemId === itemId);
    if (line) await line.update({ quantity: String(quantity) }, { transaction: t });
    else await models.OrderLine.create({ orderId, itemId, quantity: String(quantity) }, { transaction: t });
  }
}

/** Writes an order, or changes one. */
export const saveOrder = defineUseCase({
  name: 'stores.save-order',
  run: async (work, { orderId, version, rows, ...said }) => {
    const { models, t, now, actor } = work;
    const opened = orderId === null ? null : await lockedOrder(work, orderId, version);
    if (opened && !opened.ok) return opened;
    const known = opened ? (await linesOf(work, opened.value.id)).lines : [];
    if (opened?.value.endedAt) return fail(refuse('This order is ended.'));
    if (opened && opened.value.orderedAt !== null && opened.value.supplier !== said.supplier)
      return { ok: false, error: invalidField('supplier', 'It went out to the other one already.') };
    const wrong = await wrongRows(work, rows, known);
    if (wrong !== null) return { ok: false, error: invalidField('rows', wrong) };
    const head = opened
      ? await opened.value.update(said, { transaction: t })
      : await models.OrderHead.create({ ...said, madeBy: actor.personId, madeAt: now }, { transaction: t });
    await putRows(work, head.id, rows, known);
    await recordEvent(work, {
      jobId: null,
      kind: 'order written',
      entity: 'order',
      entityId: head.id,
      fromVersion: opened ? version : null,
      data: { before: known.map((l) => [l.itemId, Number(l.quantity)]), after: { ...said, rows } },
    });
    const touched = [...rows, ...known].map((r) => r.itemId);
    if (opened) return ok({ orderId: head.id, version: await orderChanged(work, head, touched) });
    return ok({ orderId: head.id, version: head.version });
  },
});

/** Hands an order to the outbox as a letter to its supplier. */
async function queueOrder(work: Work, head: OrderHead, address: string): Promise<void> {
  const { models, t, actor, now } = work;
  const settings = await models.Setting.findAll({ transaction: t });
  const shop = shopOf(settings);
  const { lines, items } = await linesOf(work, head.id);
  const rows = lines.flatMap((l) => {
    const item = items.find((i) => i.id === l.itemId);
    if (!item) return [];
    const facts = sayFacts(item.sort, item.facts);
    const code = item.code === null ? '' : `, code ${item.code}`;
    const many = missingOf({ quantity: Number(l.quantity), came: Number(l.came) });
    return [`${sayQuantity(item.sort, many)}  ${item.name}${facts === '' ? '' : ` (${facts})`}${code}`];
  });
  await models.MessageRow.create(
    {
      jobId: null,
      orderId: head.id,
      purpose: 'order',
      channel: 'mail',
      address,
      subject: `Order ${head.id} of ${shop.name}`.slice(0, 160),
      body: [
        'Please send us:',
        '',
        ...rows,
        ...(head.note === '' ? [] : ['', head.note]),
        ...(head.expected === null ? [] : ['', `We expect it by ${head.expected}.`]),
        '',
        shop.name,
      ].join('\n'),
      calendar: null,
      madeBy: actor.personId,
      madeAt: now,
      dueAt: new Date(now.getTime() + gatewayOf(settings).delay * 1000),
    },
    { transaction: t },
  );
}

/** Takes back that an order went out, and its letter as long as that waits; what was delivered did go out. */
async function takeBack(work: Work, head: OrderHead, lines: readonly OrderLine[]): Promise<Failure | null> {
  if (lines.some((l) => Number(l.came) > 0)) return refuse('Some of it came: it did go out.');
  if (head.orderedHow === 'mail') {
    const letter = await letterOf(work.models, head.id, work.t);
    const leaves = letter?.claimedUntil && letter.claimedUntil > work.now;
    if (letter?.state === 'delivered' || leaves)
      return refuse('The e-mail has left: it did go out. Say that the rest does not come, and tell them.');
    await letter?.destroy({ transaction: work.t });
  }
  await head.update({ orderedAt: null, orderedHow: '' }, { transaction: work.t });
  return null;
}

/** Says that an order went out, or that it did not. */
export const placeOrder = defineUseCase({
  name: 'stores.place-order',
  run: async (work, { orderId, version, how }) => {
    const { models, t, now } = work;
    const opened = await lockedOrder(work, orderId, version);
    if (!opened.ok) return opened;
    const head = opened.value;
    const { lines } = await linesOf(work, orderId);
    if (head.endedAt) return fail(refuse('This order is ended.'));
    if (how !== 'not' && head.orderedAt !== null) return fail(refuse('This order went out already.'));
    if (how === 'not') {
      const why = await takeBack(work, head, lines);
      if (why) return fail(why);
    } else {
      const supplier = await models.Supplier.findOne({ where: { name: head.supplier }, transaction: t });
      if (how === 'mail') {
        if (!supplier?.email) return fail(refuse(`There is no e-mail address of ${head.supplier}.`));
        await queueOrder(work, head, supplier.email);
      }
      const { zone } = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
      const expected = head.expected ?? usuallyBy(dayIn(now.getTime(), zone), supplier?.days ?? null);
      await head.update({ orderedAt: now, orderedHow: how, expected }, { transaction: t });
    }
    await recordEvent(work, {
      jobId: null,
      kind: how === 'not' ? 'order not placed' : 'order placed',
      entity: 'order',
      entityId: orderId,
      fromVersion: version,
      data: { supplier: head.supplier, how, expected: head.expected },
    });
    const itemIds = lines.map((l) => l.itemId);
    return ok({ version: await orderChanged(work, head, itemIds) });
  },
});

/** Says that nothing of an order comes any more, or that it does after all. */
export const endOrder = defineUseCase({
  name: 'stores.end-order',
  run: async (work, { orderId, version, ended }) => {
    const opened = await lockedOrder(work, orderId, version);
    if (!opened.ok) return opened;
    const head = opened.value;
    await head.update({ endedAt: ended ? work.now : null }, { transaction: work.t });
    await recordEvent(work, {
      jobId: null,
      kind: ended ? 'order ended' : 'order goes on',
      entity: 'order',
      entityId: orderId,
      fromVersion: version,
      data: { supplier: head.supplier },
    });
    const { lines } = await linesOf(work, orderId);
    const itemIds = lines.map((l) => l.itemId);
    return ok({ version: await orderChanged(work, head, itemIds) });
  },
});

/** Keeps how a supplier is reached. */
export const saveSupplier = defineUseCase({
  name: 'stores.save-supplier',
  run: async (work, { name, version, email, days }) => {
    const { models, t } = work;
    const known = await models.Supplier.findOne({ where: { name }, transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== version) return conflict(work, null, name, known?.version ?? 0);
    const kept = known
      ? await known.update({ email, days, version: version + 1 }, { transaction: t })
      : await models.Supplier.create({ name, email, days }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'supplier kept',
      entity: 'supplier',
      entityId: kept.id,
      fromVersion: known ? version : null,
      data: { name, email, days },
    });
    return ok({ version: kept.version });
  },
});

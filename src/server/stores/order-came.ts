import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { sayQuantity } from '../../core/stock/sorts.ts';
import type { OrderLine } from '../db/models/orders.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { happen, levelOf, lockedItem, moverOf, type Happening } from './move.ts';
import { lockedOrder, orderChanged, linesOf } from './orders.ts';
import { serveWants } from './wants.ts';

/** Puts what came of one row onto its shelf, or takes from it what was said by mistake. */
async function putOne(work: Work, line: OrderLine, came: number): Promise<Failure | null> {
  const more = Math.round((came - Number(line.came)) * 100) / 100;
  const item = await lockedItem(work, line.itemId);
  if (!item || more === 0) return null;
  const mover = moverOf(work);
  const { onHand } = await levelOf(mover, item);
  if (onHand + more < 0)
    return refuse(
      `${item.name}: ${sayQuantity(item.sort, onHand)} of them are there, no more can be taken back.`,
    );
  const plain = { jobId: null, lineId: null } as const;
  const happens: Happening =
    more > 0
      ? { ...plain, kind: 'received', quantity: more, reason: `order ${line.orderId}` }
      : {
          ...plain,
          kind: 'counted',
          quantity: Math.round((onHand + more) * 100) / 100,
          reason: `fewer came with order ${line.orderId} than was said`,
        };
  const done = await happen(mover, item, happens);
  if (!done.ok) return done.error;
  await line.update({ came: String(came) }, { transaction: work.t });
  await serveWants(mover, item);
  return null;
}

/** Says how many of an order came so far. */
export const orderCame = defineUseCase({
  name: 'stores.order-came',
  run: async (work, { orderId, version, rows }) => {
    const opened = await lockedOrder(work, orderId, version);
    if (!opened.ok) return opened;
    const head = opened.value;
    if (head.orderedAt === null) return fail(refuse('This order has not gone out yet.'));
    const { lines } = await linesOf(work, orderId);
    const before = lines.map((l) => [l.itemId, Number(l.came)]);
    const unknown = rows.find((r) => !lines.some((l) => l.itemId === r.itemId));
    if (unknown) return { ok: false, error: invalidField('rows', 'One of these is not on this order.') };
    for (const line of lines) {
      const said = rows.find((r) => r.itemId === line.itemId);
      const why = said ? await putOne(work, line, said.came) : null;
      if (why) return fail(why);
    }
    await recordEvent(work, {
      jobId: null,
      kind: 'order came',
      entity: 'order',
      entityId: orderId,
      fromVersion: version,
      data: { supplier: head.supplier, before, after: rows.map((r) => [r.itemId, r.came]) },
    });
    const itemIds = lines.map((l) => l.itemId);
    return ok({ version: await orderChanged(work, head, itemIds) });
  },
});

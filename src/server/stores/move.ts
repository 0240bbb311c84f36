import type { Failure } from '../../contracts/failure.ts';
import { invalidField } from '../../contracts/failure.ts';
import { fail, type Result } from '../../core/result.ts';
import { after, sayTrouble, type MoveKind, type StockLevel } from '../../core/stock/ledger.ts';
import { SORTS, sayQuantity } from '../../core/stock/sorts.ts';
import type { StockItem } from '../db/models/stock.ts';
import { recordEvent, type EventFacts } from '../use-case/record-event.ts';
import type { Work } from '../use-case/use-case.ts';

/** Something that happens to an item. */
export interface Happening {
  readonly kind: MoveKind;
  readonly quantity: number;
  readonly jobId: number | null;
  readonly lineId: number | null;
  readonly reason: string;
}

/** Where a move is written: the change it belongs to, who makes it, and how its event is recorded. */
export interface Mover extends Pick<Work, 'models' | 't' | 'now'> {
  /** null: the customer */
  readonly by: number | null;
  readonly record: (e: EventFacts) => Promise<void>;
}

/** A move within a use case. */
export const moverOf = (work: Work): Mover => ({
  models: work.models,
  t: work.t,
  now: work.now,
  by: work.actor.personId,
  record: (e) => recordEvent(work, e),
});

/** An item as it stands, nobody else changing it until this is done; null where there is none. */
export async function lockedItem(
  { models, t }: Pick<Work, 'models' | 't'>,
  itemId: number,
): Promise<StockItem | null> {
  return models.StockItem.findByPk(itemId, { transaction: t, lock: t.LOCK.UPDATE });
}

/** What stands on the shelf of a locked item. Jobs in the order they asked. */
export async function levelOf(
  { models, t }: Pick<Work, 'models' | 't'>,
  item: StockItem,
): Promise<StockLevel> {
  const rows = await models.StockAside.findAll({
    where: { itemId: item.id },
    order: [['id', 'ASC']],
    transaction: t,
  });
  return {
    onHand: Number(item.onHand),
    aside: new Map(rows.map((r) => [r.jobId, Number(r.quantity)])),
  };
}

/** Keeps a level: what waits for each job, and how many are there. */
async function keepLevel(
  { models, t }: Pick<Work, 'models' | 't'>,
  item: StockItem,
  was: StockLevel,
  is: StockLevel,
): Promise<void> {
  for (const jobId of new Set([...was.aside.keys(), ...is.aside.keys()])) {
    const [before, quantity] = [was.aside.get(jobId), is.aside.get(jobId)];
    if (before === quantity) continue;
    const where = { itemId: item.id, jobId };
    if (quantity === undefined) await models.StockAside.destroy({ where, transaction: t });
    else if (before === undefined)
      await models.StockAside.create({ ...where, quantity: String(quantity) }, { transaction: t });
    else await models.StockAside.update({ quantity: String(quantity) }, { where, transaction: t });
  }
  if (was.onHand !== is.onHand) await item.update({ onHand: String(is.onHand) }, { transaction: t });
}

/** Writes what happens to a locked item into the ledger, with its event; what cannot happen says why. */
export async function happen(
  mover: Mover,
  item: StockItem,
  h: Happening,
): Promise<Result<StockLevel, Failure>> {
  const { models, t, by, now } = mover;
  const was = await levelOf(mover, item);
  const next = after(was, { kind: h.kind, quantity: h.quantity, job: h.jobId });
  if (!next.ok) {
    const says = sayTrouble(next.error, SORTS[item.sort].unit[1]);
    return fail(
      next.error.code === 'no such number'
        ? invalidField('quantity', says)
        : { code: 'refused', message: `${item.name}: ${says}` },
    );
  }
  await keepLevel(mover, item, was, next.value);
  await models.StockMoveRow.create(
    {
      ...h,
      itemId: item.id,
      quantity: String(h.quantity),
      onHand: String(next.value.onHand),
      madeBy: by,
      madeAt: now,
    },
    { transaction: t },
  );
  const { kind, quantity, jobId, lineId, reason } = h;
  await mover.record({
    jobId,
    kind: 'stock moved',
    entity: 'stock item',
    entityId: item.id,
    fromVersion: null,
    data: {
      move: kind,
      quantity,
      many: sayQuantity(item.sort, quantity),
      item: item.name,
      lineId,
      reason,
      before: was.onHand,
    },
  });
  return next;
}

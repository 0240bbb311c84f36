import { invalidField } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { readFacts } from '../../core/stock/read-facts.ts';
import { shopOf } from '../house/load-shop.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps what is known of an item of the stores. */
export const saveItem = defineUseCase({
  name: 'stores.save-item',
  run: async (work, { itemId, version, facts, code, retired, least, usual, ...said }) => {
    const { models, t, now } = work;
    const read = readFacts(said.sort, facts);
    if (!read.ok) {
      const fields = Object.fromEntries(Object.entries(read.error).map(([f, says]) => [`facts.${f}`, says]));
      const [first = ''] = Object.values(read.error);
      return fail({ code: 'invalid', message: first, fields });
    }
    const item =
      itemId === null
        ? null
        : await models.StockItem.findByPk(itemId, { transaction: t, lock: t.LOCK.UPDATE });
    if (itemId !== null && !item)
      return fail({ code: 'not-found', message: 'There is no such item on the shelves.' });
    if (item && item.version !== version) return conflict(work, null, item.name, item.version);
    if (item && item.sort !== said.sort)
      return {
        ok: false,
        error: invalidField('sort', 'What it is stays. Make another item for another thing.'),
      };
    const { tax } = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
    if (said.tax !== null && !tax.rates.some((r) => r.id === said.tax))
      return { ok: false, error: invalidField('tax', 'The shop has no such rate of tax.') };
    const known = code === '' ? null : await models.StockItem.findOne({ where: { code }, transaction: t });
    if (known && known.id !== itemId)
      return { ok: false, error: invalidField('code', `${known.name} has that code.`) };
    const row = {
      ...said,
      facts: read.value,
      code: code === '' ? null : code,
      least: String(least),
      usual: String(usual),
      retiredAt: retired ? (item?.retiredAt ?? now) : null,
    };
    const before = item && { name: item.name, place: item.place, retired: item.retiredAt !== null };
    const kept = item
      ? await item.update({ ...row, version: version + 1 }, { transaction: t })
      : await models.StockItem.create(row, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'item kept',
      entity: 'stock item',
      entityId: kept.id,
      fromVersion: item ? version : null,
      data: { before, after: { ...row, name: row.name, retired } },
    });
    return ok({ itemId: kept.id, version: kept.version });
  },
});

import { invalidField } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { readFacts } from '../../core/stock/read-facts.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { happen, moverOf } from './move.ts';

const keyOf = (i: { readonly sort: string; readonly name: string }): string =>
  `${i.sort} ${i.name.toLowerCase()}`;

/** Puts things of a list onto the shelves; what is known already is left alone. */
export const importStock = defineUseCase({
  name: 'stores.import',
  run: async (work, { items }) => {
    const { models, t } = work;
    const here = await models.StockItem.findAll({ attributes: ['sort', 'name', 'code'], transaction: t });
    const names = new Set(here.map(keyOf));
    const codes = new Set(here.flatMap((i) => (i.code === null ? [] : [i.code])));
    const mover = moverOf(work);
    let added = 0;
    for (const [n, { there, facts, code, least, usual, ...said }] of items.entries()) {
      const read = readFacts(said.sort, facts);
      if (!read.ok) {
        const [why = ''] = Object.values(read.error);
        return { ok: false, error: invalidField('items', `${said.name}, the ${n + 1}th: ${why}`) };
      }
      if (names.has(keyOf(said)) || (code !== '' && codes.has(code))) continue;
      names.add(keyOf(said));
      if (code !== '') codes.add(code);
      const row = {
        ...said,
        facts: read.value,
        code: code === '' ? null : code,
        least: String(least),
        usual: String(usual),
      };
      const item = await models.StockItem.create(row, { transaction: t });
      await recordEvent(work, {
        jobId: null,
        kind: 'item kept',
        entity: 'stock item',
        entityId: item.id,
        fromVersion: null,
        data: { before: null, after: row },
      });
      const plain = {
        kind: 'received',
        jobId: null,
        lineId: null,
        reason: 'brought in from a list',
      } as const;
      if (there > 0) await happen(mover, item, { ...plain, quantity: there });
      added++;
    }
    return ok({ added, known: items.length - added });
  },
});

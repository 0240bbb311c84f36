import { invalidField, refuse } from '../../contracts/failure.ts';
import { firstAnswer } from '../../core/work/free-line.ts';
import { fail, ok } from '../../core/result.ts';
import { shopOf } from '../house/load-shop.ts';
import { countLater } from '../jobs/job-facts.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openLine } from './open-line.ts';

/**
 * Gives a line its own price and rates of tax. Where the customer has said yes to less, they are asked again; where the work
 * has begun it can only become cheaper, and what was found is asked as a change.
 */
export const priceLine = defineUseCase({
  name: 'work.price',
  run: async (work, { lineId, version, priceMinor, partsMinor, tax, partsTax, reason }) => {
    const { models, t, now } = work;
    const opened = await openLine(work, lineId, version);
    if (!opened.ok) return opened;
    const { line, job } = opened.value;
    const shop = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
    for (const [field, id] of Object.entries({ tax, partsTax }))
      if (id !== null && !shop.tax.rates.some((r) => r.id === id))
        return fail(invalidField(field, 'The shop has no such rate.'));
    const was = { price: line.priceMinor, parts: line.partsMinor, tax: line.tax, partsTax: line.partsTax };
    const is = { price: priceMinor, parts: partsMinor, tax, partsTax };
    const dearer = is.price + is.parts > was.price + was.parts;
    if (dearer && line.step !== 'ready')
      return fail(refuse('They said yes to less and the work has begun: ask them for the rest as a change.'));
    const again = dearer && line.approval === 'yes';
    // Nothing to pay is a yes by itself; another price is another question.
    const asked = line.approval === 'asked' && is.price + is.parts !== was.price + was.parts;
    await line.update(
      {
        priceMinor,
        partsMinor,
        tax,
        partsTax,
        priceReason: reason,
        version: version + 1,
        ...((again || asked) && firstAnswer(priceMinor, partsMinor, now)),
      },
      { transaction: t },
    );
    await countLater(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'price changed',
      entity: 'work line',
      entityId: lineId,
      fromVersion: version,
      data: { before: was, after: is, reason, askedAgain: again },
    });
    return ok({ version: version + 1, approval: line.approval });
  },
});

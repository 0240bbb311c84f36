import { invalidField, type Failure } from '../../contracts/failure.ts';
import { decimalsOf, NO_CURRENCY, type MoneyForm } from '../../core/money/currency.ts';
import { fail } from '../../core/result.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { shopOf } from './load-shop.ts';
import { saveSetting } from './save-setting.ts';

/** Keeps how the shop hands over: second check, window for tweaks, next check, how long links open. */
export const saveRules = defineUseCase({
  name: 'house.save-rules',
  run: (work, { version, rules }) =>
    saveSetting(work, { name: 'hand-over rules', what: 'how the shop hands over', value: rules, version }),
});

/**
 * Why the shop cannot change to a currency: amounts that were agreed or paid would be read as another money. A shop that has
 * named none yet may name one with as many decimals.
 */
async function otherMoney({ models, t }: Work, to: MoneyForm): Promise<Failure | null> {
  const { currency: from } = shopOf(
    await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }),
  );
  const [was = '', is = ''] = [from.split(' ')[0], to.split(' ')[0]];
  if (was === is) return null;
  const named = /^[A-Z]{3}$/.test(was) && was !== NO_CURRENCY;
  if (!named && decimalsOf(from) === decimalsOf(to)) return null;
  const [line, payment] = [
    await models.WorkLine.findOne({ transaction: t }),
    await models.PaymentRow.findOne({ transaction: t }),
  ];
  return line === null && payment === null
    ? null
    : invalidField(
        'shop.currency',
        `Orders and payments are kept in ${was}: they would be read as another money.`,
      );
}

/** Keeps what the shop is called and where it is, its money, its tax, its paper. */
export const saveShop = defineUseCase({
  name: 'house.save-shop',
  run: async (work, { version, shop }) => {
    const other = await otherMoney(work, shop.currency);
    return other
      ? fail(other)
      : saveSetting(work, { name: 'shop', what: 'what the shop is called', value: shop, version });
  },
});

/** Keeps what the stand-in for a mail or text service does with messages. */
export const saveGateway = defineUseCase({
  name: 'house.save-gateway',
  run: (work, { version, gateway }) =>
    saveSetting(work, { name: 'message gateway', what: 'the gateway', value: gateway, version }),
});

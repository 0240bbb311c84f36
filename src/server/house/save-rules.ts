import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

/** Keeps how the shop hands over: second check, window for tweaks, next check, how long links open. */
export const saveRules = defineUseCase({
  name: 'house.save-rules',
  run: (work, { version, rules }) =>
    saveSetting(work, { name: 'hand-over rules', what: 'how the shop hands over', value: rules, version }),
});

/** Keeps what the shop is called and where it is, its money, its tax, its paper. */
export const saveShop = defineUseCase({
  name: 'house.save-shop',
  run: (work, { version, shop }) =>
    saveSetting(work, { name: 'shop', what: 'what the shop is called', value: shop, version }),
});

/** Keeps what the stand-in for a mail or text service does with messages. */
export const saveGateway = defineUseCase({
  name: 'house.save-gateway',
  run: (work, { version, gateway }) =>
    saveSetting(work, { name: 'message gateway', what: 'the gateway', value: gateway, version }),
});

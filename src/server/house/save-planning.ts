import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

/** Keeps how the shop plans: limits, what is weighed against money, what a worth decides. */
export const savePlanning = defineUseCase({
  name: 'house.save-planning',
  run: (work, { version, rules }) =>
    saveSetting(work, { name: 'planning rules', what: 'how the shop plans', value: rules, version }),
});

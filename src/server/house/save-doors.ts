import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

/** Keeps how the shop keeps its doors. */
export const saveDoors = defineUseCase({
  name: 'house.save-doors',
  run: (work, { version, doors }) =>
    saveSetting(work, { name: 'doors', what: 'how the doors are kept', value: doors, version }),
});

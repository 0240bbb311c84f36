import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

/** Keeps how the shop reads: methods, working order, units, gauges, feelings. Rounds begun keep their methods. */
export const saveHabits = defineUseCase({
  name: 'house.save-habits',
  run: (work, { version, habits }) =>
    saveSetting(work, { name: 'reading habits', what: 'how the shop reads', value: habits, version }),
});

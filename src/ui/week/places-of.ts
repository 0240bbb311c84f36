import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { MovedStep } from '../../core/schedule/difference.ts';

/** Where a plan that was tried puts the steps it moves, as it is taken. */
export const placesOf = (moved: readonly MovedStep[]): CommandInput<'week.take'>['steps'] =>
  moved.flatMap((m) =>
    m.is ? [{ jobId: m.jobId, step: m.step, worker: m.is.worker, spot: m.is.spot, at: m.is.start }] : [],
  );

import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, value, type staffedHouse } from './house.ts';

export type Save = CommandInput<'readings.save'>;
export const SET: readonly (readonly [Save['quantity'], number, number, string])[] = [
  ['relief', 0, 7, '0.2'],
  ['action', 6, 12, '3.2'],
  ['action', 1, 12, '2.6'],
  ['saddle-standout', 0, 0, '5'],
  ...[1, 2, 3, 4, 5, 6].map((s) => ['nut-gap', s, 1, '0.1'] as const),
];

/** Jobs whose strings stand high, in a house: taken in and read. */
export function highJobs(house: () => Awaited<ReturnType<typeof staffedHouse>>) {
  const save = (
    jobId: number,
    round: Save['round'],
    [quantity, string, fret, typed]: (typeof SET)[number],
    version = 0,
  ) =>
    house().give(house().technician, 'readings.save', {
      jobId,
      round,
      quantity,
      string,
      fret,
      typed,
      unit: 'mm',
      version,
    });

  async function highJob() {
    const taken = value(await house().give(house().desk, 'desk.take-in', intake()));
    for (const place of SET) value(await save(taken.jobId, 'as-found', place));
    return taken;
  }

  const see = async (number: number) => {
    const job = await loadJob(house().db, number);
    if (!job) throw new Error('no job');
    return job;
  };
  return { save, highJob, see };
}

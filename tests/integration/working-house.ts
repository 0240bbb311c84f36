import { randomUUID } from 'node:crypto';
import type { CommandAnswer, CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';
import type { OperationId } from '../../src/core/catalogue/operation-ids.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { intake, staffedHouse, value } from './house.ts';

/** A staffed house in which work goes on: jobs with agreed lines, steps by their operation. */
export async function workingHouse(name: string) {
  const house = await staffedHouse(name);
  const view = async (number: number): Promise<JobView> =>
    (await loadJob(house.db, number)) ?? Promise.reject(new Error(`no job ${number}`));
  const give = async <N extends CommandName>(
    who: Actor,
    name: N,
    input: CommandInput<N>,
    now?: () => Date,
  ): Promise<CommandAnswer<N>> => value(await house.give(who, name, input, randomUUID(), now));

  let serial = 0;
  /** A job with some lines on its order, all agreed. */
  async function jobWith(operations: readonly OperationId[], more: Parameters<typeof intake>[1] = {}) {
    const usual = intake('steel-acoustic', { cameWith: [], ...more });
    const instrument = { ...usual.instrument, serial: `WK-${++serial}` };
    const { number, jobId } = await give(house.desk, 'desk.take-in', { ...usual, instrument });
    for (const operation of operations)
      await give(house.technician, 'plan.add', { jobId, operation, detail: '' });
    for (const l of (await view(number)).lines)
      await give(house.desk, 'work.answer', {
        lineId: l.id,
        version: l.version,
        answer: 'yes',
        by: 'Petra',
        how: 'at the counter',
      });
    const line = async (operation: OperationId) => {
      const found = (await view(number)).lines.find((l) => l.operation === operation);
      if (!found) throw new Error(`no ${operation}`);
      return found;
    };
    const step = async (
      operation: OperationId,
      action: CommandInput<'work.step'>['action'],
      who: Actor = house.technician,
      rest: { without?: string; ago?: number } = {},
    ) => {
      const { id: lineId, version } = await line(operation);
      return house.give(who, 'work.step', { lineId, version, action, ...rest });
    };
    return { number, jobId, line, step };
  }

  return { ...house, view, order: give, jobWith };
}

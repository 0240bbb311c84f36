import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openRound } from './open-round.ts';

/** Says how the instrument is while a round is read. Readings taken from now on inherit it; earlier ones keep theirs. */
export const setConditions = defineUseCase({
  name: 'readings.conditions',
  run: async (work, input) => {
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const round = await openRound(work, opened.value, input.round);
    if (round.version !== input.version)
      return conflict(work, null, STRINGS_STATES[round.strings], round.version);
    const before = {
      strings: round.strings,
      position: round.position,
      tuning: round.tuning,
      setOn: round.setOn,
      setAge: round.setAge,
      temperature: round.temperature,
      humidity: round.humidity,
      pitch: round.pitch,
      methods: round.methods,
      gauges: round.gauges,
    };
    const {
      jobId: _j,
      round: _r,
      version: _v,
      temperature,
      humidity,
      pitch,
      methods,
      gauges,
      setOn,
      setAge,
      ...said
    } = input;
    const after = {
      ...said,
      temperature: temperature?.toString() ?? null,
      humidity: humidity?.toString() ?? null,
      ...(setOn !== undefined && { setOn }),
      ...(setAge !== undefined && { setAge }),
      ...(pitch !== undefined && { pitch: pitch?.toString() ?? null }),
      ...(methods !== undefined && { methods }),
      ...(gauges !== undefined && { gauges }),
    };
    await round.update({ ...after, version: input.version + 1 }, { transaction: work.t });
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'conditions set',
      entity: 'round',
      entityId: round.id,
      fromVersion: input.version,
      data: { before, after },
    });
    return ok({ version: round.version });
  },
});

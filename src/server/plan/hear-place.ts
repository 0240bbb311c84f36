import { invalidField, refuse } from '../../contracts/failure.ts';
import { judge } from '../../core/job/judge.ts';
import { fail, ok } from '../../core/result.ts';
import { buzzes } from '../../core/sound/say-buzz.ts';
import { toldBy, type HeardPlace } from '../../core/whatif/heard.ts';
import { neckModel } from '../../core/whatif/neck-model.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { readJob } from '../jobs/read-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Notes what was heard at a place as the neck was read then, with the pluck at which it just buzzes; or takes it back. */
export const hearPlace = defineUseCase({
  name: 'plan.hear',
  run: async (work, { jobId, string, held, heard, amount = null, was }) => {
    if (amount !== null && (heard === null || buzzes(amount) !== (heard === 'buzzes')))
      return { ok: false, error: invalidField('amount', 'So much is not what is said to be heard.') };
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    const before = job.heard ?? [];
    const at = (h: HeardPlace): boolean => h.string === string && h.held === held;
    const stood = before.find(at)?.heard ?? null;
    if (stood !== was) return conflict(work, null, stood ?? 'nothing', job.version);
    const rest = before.filter((h) => !at(h));
    let places: readonly HeardPlace[] = rest;
    if (heard !== null) {
      const g = await readJob(work.models, job, [], work.t);
      const { strings, frets } = g.instrument.construction;
      if (string > strings.length)
        return { ok: false, error: invalidField('string', 'It has no such string.') };
      if (held >= frets)
        return { ok: false, error: invalidField('held', `It is held at 0 to ${frets - 1}.`) };
      const { planInput, plannedFor } = judge(g);
      const model = neckModel(planInput);
      if (model === null) return fail(refuse('Read the action first: what is heard is held against it.'));
      const told = toldBy(
        model,
        plannedFor.touch,
        strings.length - string,
        { held, heard },
        planInput.settings.rodActionRatio,
      );
      // What contradicts the readings tells nothing of the hand; it is kept and named beside them.
      const force = told.kind === 'force' ? told.force : null;
      places = [...rest, { string, held, heard, force, ...(amount !== null && { amount }) }];
    }
    job.heard = places.length === 0 ? null : [...places];
    await countLater(work, job);
    await recordEvent(work, {
      jobId,
      kind: 'place heard',
      entity: 'heard',
      entityId: `${string}:${held}`,
      fromVersion: null,
      data: { before: stood, after: heard, ...(amount !== null && { amount }) },
    });
    return ok({ heard });
  },
});

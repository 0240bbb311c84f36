import { invalidField, refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { tell, tellMentioned } from '../people/notices.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Writes a note, or asks a colleague; who is asked or named hears of it. */
export const makeRemark = defineUseCase({
  name: 'work.remark',
  run: async (work, { jobId, lineId, kind, words, toPerson }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const line = lineId === null ? null : await models.WorkLine.findByPk(lineId, { transaction: t });
    if (lineId !== null && line?.jobId !== jobId)
      return fail({ code: 'not-found', message: 'This line is not on the work order any more.' });
    const asked = toPerson === null ? null : await models.Person.findByPk(toPerson, { transaction: t });
    if (asked?.active === false || (toPerson !== null && !asked))
      return fail(invalidField('toPerson', 'Who is asked?'));
    const remark = await models.Remark.create(
      { jobId, lineId, kind, words, byPerson: actor.personId, toPerson, at: now },
      { transaction: t },
    );
    const { number } = opened.value;
    if (toPerson !== null)
      await tell(work, [toPerson], jobId, 'question', `${actor.name} asks, job ${number}: ${words}`);
    await tellMentioned(work, jobId, number, words);
    await recordEvent(work, {
      jobId,
      kind: 'remark made',
      entity: 'remark',
      entityId: remark.id,
      fromVersion: null,
      data: { after: { kind, words } },
    });
    return ok({ remarkId: remark.id });
  },
});

/** Answers a question; the answer stays. */
export const replyTo = defineUseCase({
  name: 'work.reply',
  run: async (work, { remarkId, version, answer }) => {
    const { models, t, actor, now } = work;
    const found = await models.Remark.findByPk(remarkId, { transaction: t });
    if (!found) return fail({ code: 'not-found', message: 'There is no such question.' });
    const opened = await openJob(work, found.jobId);
    if (!opened.ok) return opened;
    const remark = await found.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (remark.kind !== 'question') return fail(refuse('A note asks for no answer.'));
    if (remark.version !== version)
      return conflict(work, remark.answeredBy, remark.answer ?? '', remark.version);
    const before = remark.answer;
    await remark.update(
      { answer, answeredBy: actor.personId, answeredAt: now, version: version + 1 },
      { transaction: t },
    );
    const { number } = opened.value;
    if (remark.byPerson !== null)
      await tell(work, [remark.byPerson], remark.jobId, 'answer', `${actor.name}, job ${number}: ${answer}`);
    await tellMentioned(work, remark.jobId, number, answer);
    await recordEvent(work, {
      jobId: remark.jobId,
      kind: 'remark answered',
      entity: 'remark',
      entityId: remarkId,
      fromVersion: version,
      data: { before: { answer: before }, after: { answer } },
    });
    return ok({ version: version + 1 });
  },
});

import { invalidField, refuse } from '../../contracts/failure.ts';
import { sayTime } from '../../core/days/opening.ts';
import { dayIn } from '../../core/days/zone.ts';
import { may } from '../../core/people/roles.ts';
import { fail, ok } from '../../core/result.ts';
import { loadShop } from '../house/load-shop.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Says that somebody works on a day at hours that are not their own. */
export const sayLonger = defineUseCase({
  name: 'week.longer',
  run: async (work, { personId, day, from, to }) => {
    const { models, t, actor, now } = work;
    const person = await models.Person.findByPk(personId, { transaction: t });
    if (!person?.active || !may(person.role, 'work'))
      return fail(invalidField('personId', 'Who works at the bench here?'));
    const { zone } = await loadShop({ models });
    if (day < dayIn(now.getTime(), zone)) return fail(invalidField('day', 'That day is over'));
    const row = await models.ExtraHours.create(
      { personId, day, fromMinute: from, toMinute: to, saidBy: actor.personId, saidAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'longer said',
      entity: 'person',
      entityId: personId,
      fromVersion: null,
      data: { day, from: sayTime(from), to: sayTime(to) },
    });
    return ok({ id: row.id });
  },
});

/** Takes it back. */
export const notLonger = defineUseCase({
  name: 'week.not-longer',
  run: async (work, { id }) => {
    const { models, t, now } = work;
    const row = await models.ExtraHours.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) return fail({ code: 'not-found', message: 'There is no such entry.' });
    if (row.takenBackAt !== null) return fail(refuse('It was taken back already.'));
    await row.update({ takenBackAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'longer taken back',
      entity: 'person',
      entityId: row.personId,
      fromVersion: null,
      data: { day: row.day },
    });
    return ok({ id });
  },
});

import { invalidField } from '../../contracts/failure.ts';
import { fail } from '../../core/result.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { placeSession } from './sessions.ts';

/** Takes a practice instrument to one's own bench. */
export const beginPractice = defineUseCase({
  name: 'practice.begin',
  run: (work, wanted) => placeSession(work, work.actor.personId, wanted, null),
});

/** Sets a practice instrument for somebody who works here. */
export const setPractice = defineUseCase({
  name: 'practice.set',
  run: async (work, { personId, ...wanted }) => {
    const person = await work.models.Person.findByPk(personId, { transaction: work.t });
    if (!person || !person.active)
      return fail(invalidField('personId', 'Nobody of that name works here now.'));
    return placeSession(work, personId, wanted, work.actor.personId);
  },
});

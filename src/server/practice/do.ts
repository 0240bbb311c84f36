import { invalidField } from '../../contracts/failure.ts';
import { doAct } from '../../core/practice/bench.ts';
import { checkAct } from '../../core/practice/check-act.ts';
import { faultsFor } from '../../core/practice/faults/faults.ts';
import { openInstrument } from '../../core/practice/opened.ts';
import { fail, ok } from '../../core/result.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { NOT_YOURS, ownSession } from './sessions.ts';

/** More than that is done to no instrument. */
const MOST_ACTS = 1500;

/** Does one thing at one's own practice instrument. */
export const doPractice = defineUseCase({
  name: 'practice.do',
  run: async (work, { sessionId, version, act }) => {
    const own = await ownSession(work, sessionId, version);
    if (!own.ok) return own;
    const { session, instrument, bench } = own.value;
    const cannot = checkAct(instrument.inside.construction, act);
    if (cannot !== null) return fail(invalidField(`act.${cannot.field}`, cannot.message));
    if (version >= MOST_ACTS)
      return fail(invalidField('act', 'More is not done to one instrument: hand it back and open it.'));
    const { entries } = doAct(instrument, bench, act);
    await work.models.PracticeActRow.create(
      { sessionId, n: version, act: JSON.stringify(act), doneAt: work.now },
      { transaction: work.t },
    );
    await session.update({ version: version + 1 }, { transaction: work.t });
    return ok({ version: version + 1, says: entries.at(-1)?.says ?? '' });
  },
});

/** Hands one's own practice instrument back and opens it. */
export const endPractice = defineUseCase({
  name: 'practice.end',
  run: async (work, { sessionId, version, named }) => {
    const own = await ownSession(work, sessionId, version);
    if (!own.ok) return own;
    const { session, instrument, bench } = own.value;
    const known = new Set(faultsFor(instrument.inside.construction).map((f) => f.id));
    if (named.some((id) => !known.has(id)))
      return fail(invalidField('named', 'That cannot be wrong with such an instrument.'));
    const said = [...new Set(named)];
    const opened = openInstrument(instrument, bench, said);
    await session.update(
      {
        endedAt: work.now,
        named: said.join(','),
        score: opened.score,
        opened: JSON.stringify(opened),
      },
      { transaction: work.t },
    );
    return ok({ score: opened.score });
  },
});

/** Puts an unfinished one away: one's own, or one that was set for somebody. */
export const dropPractice = defineUseCase({
  name: 'practice.drop',
  run: async ({ models, t, actor }, { sessionId }) => {
    const session = await models.PracticeSession.findByPk(sessionId, { transaction: t, lock: t.LOCK.UPDATE });
    const mine = session?.personId === actor.personId || session?.setById === actor.personId;
    if (!session || !mine) return fail(NOT_YOURS);
    if (session.endedAt !== null)
      return fail({ code: 'closed', message: 'It was handed back already: it stays where it is counted.' });
    await session.destroy({ transaction: t });
    return ok({ sessionId });
  },
});

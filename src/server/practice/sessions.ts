import { randomInt } from 'node:crypto';
import { practiceAct } from '../../contracts/practice-act.ts';
import { invalidField, type Failure } from '../../contracts/failure.ts';
import type { FaultGroup } from '../../core/practice/faults/fault.ts';
import type { Act } from '../../core/practice/acts.ts';
import { benchAfter, type Bench } from '../../core/practice/bench.ts';
import {
  codeOf,
  practiceInstrument,
  readCode,
  type PracticeInstrument,
} from '../../core/practice/instrument.ts';
import type { Level } from '../../core/practice/levels.ts';
import type { Kind } from '../../core/instrument/kinds.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import type { PracticeSession } from '../db/models/practice.ts';
import type { Work } from '../use-case/use-case.ts';

/** Instruments that were asked for lately: each is the same whenever it is made. */
const MADE = new Map<string, PracticeInstrument>();
const KEPT = 40;

/** The practice instrument of a code; null where there is none. */
export function instrumentOf(code: string): PracticeInstrument | null {
  const known = MADE.get(code);
  if (known) return known;
  const spec = readCode(code);
  if (!spec) return null;
  const made = practiceInstrument(spec);
  MADE.set(code, made);
  const [oldest] = MADE.keys();
  if (MADE.size > KEPT && oldest !== undefined) MADE.delete(oldest);
  return made;
}

/** What was done at one, in order. */
export async function actsOf(
  { models }: Pick<Database, 'models'>,
  sessionId: number,
  transaction?: Work['t'],
): Promise<readonly Act[]> {
  const rows = await models.PracticeActRow.findAll({
    where: { sessionId },
    order: [['n', 'ASC']],
    ...(transaction && { transaction }),
  });
  return rows.map((r) => practiceAct.parse(JSON.parse(r.act)));
}

const NOT_YOURS: Failure = { code: 'not-found', message: 'There is no such practice instrument of yours.' };

/** One's own unfinished practice instrument, held for this transaction, with its bench. */
export async function ownSession(
  work: Work,
  sessionId: number,
  version: number,
): Promise<Result<{ session: PracticeSession; instrument: PracticeInstrument; bench: Bench }, Failure>> {
  const { models, t, actor } = work;
  const where = { id: sessionId, personId: actor.personId };
  const session = await models.PracticeSession.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
  const instrument = session ? instrumentOf(session.code) : null;
  if (!session || !instrument) return fail(NOT_YOURS);
  if (session.endedAt !== null) return fail({ code: 'closed', message: 'It was handed back already.' });
  if (session.version !== version)
    return fail({
      code: 'conflict',
      message: 'More was done to it on another screen: look at it again.',
      theirs: { by: actor.name, says: `${session.version} things done`, version: session.version },
    });
  const acts = await actsOf({ models }, sessionId, t);
  return ok({ session, instrument, bench: benchAfter(instrument, acts) });
}

interface Wanted {
  readonly kind: Kind;
  readonly level: Level;
  readonly about: FaultGroup | null;
  readonly code: string;
}

const SEEDS = 2 ** 31;
/** So many may stand unfinished on one bench. */
const MOST_OPEN = 12;

/** Puts an instrument on somebody's practice bench: a new one, or that of a code. */
export async function placeSession(
  work: Work,
  personId: number,
  { code, ...wanted }: Wanted,
  setById: number | null,
): Promise<Result<{ sessionId: number }, Failure>> {
  const { models, t, now } = work;
  const spec = code === '' ? { ...wanted, seed: randomInt(SEEDS) } : readCode(code);
  if (spec === null) return fail(invalidField('code', 'There is no instrument of that code.'));
  const open = await models.PracticeSession.count({ where: { personId, endedAt: null }, transaction: t });
  if (open >= MOST_OPEN)
    return fail(
      invalidField('kind', `${MOST_OPEN} stand there unfinished: finish one or put one away first.`),
    );
  const made = codeOf(spec);
  const says = instrumentOf(made)?.says ?? '';
  const { id } = await models.PracticeSession.create(
    { personId, setById, code: made, says, begunAt: now },
    { transaction: t },
  );
  return ok({ sessionId: id });
}

export { NOT_YOURS };

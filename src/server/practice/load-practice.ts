import { Op } from 'sequelize';
import { practiceOpened } from '../../contracts/practice-opened.ts';
import { benchView } from '../../core/practice/bench-view.ts';
import { benchAfter } from '../../core/practice/bench.ts';
import { checkAct } from '../../core/practice/check-act.ts';
import { outcomeOf } from '../../core/practice/insides.ts';
import { readCode } from '../../core/practice/instrument.ts';
import { KIND_NAMES, KINDS } from '../../core/instrument/kinds.ts';
import { soundingNow, type Place } from '../../core/practice/listen.ts';
import type { Opened } from '../../core/practice/opened.ts';
import { nextToTry, progressOf } from '../../core/practice/progress.ts';
import type { SoundingPlace } from '../../core/whatif/sounding.ts';
import type { Database } from '../db/connection.ts';
import type { PracticeSession } from '../db/models/practice.ts';
import { actsOf, instrumentOf } from './sessions.ts';

type Db = Pick<Database, 'models'>;

/** The last so many that were finished are listed; all of them are counted. */
const LISTED = 30;

function lineOf(s: PracticeSession, names: ReadonlyMap<number, string>) {
  const spec = readCode(s.code);
  return {
    id: s.id,
    code: s.code,
    name: spec ? KIND_NAMES[spec.kind] : s.code,
    level: spec?.level ?? 1,
    says: s.says,
    begunAt: s.begunAt.toISOString(),
    endedAt: s.endedAt?.toISOString() ?? null,
    done: s.version,
    score: s.score,
    setBy: s.setById === null ? null : (names.get(s.setById) ?? 'a colleague'),
    person: names.get(s.personId) ?? '',
  };
}

/** One practice instrument in a list. */
export type PracticeLine = ReturnType<typeof lineOf>;

const openedOf = (s: PracticeSession): Opened | null =>
  s.opened === null ? null : practiceOpened.parse(JSON.parse(s.opened));

/** What stands on somebody's practice bench, what they finished, and how they do by kind of fault. */
export async function loadPractice(db: Db, personId: number) {
  const { models } = db;
  const [open, done, set, people] = await Promise.all([
    models.PracticeSession.findAll({ where: { personId, endedAt: null }, order: [['id', 'DESC']] }),
    models.PracticeSession.findAll({
      where: { personId, endedAt: { [Op.ne]: null } },
      order: [['endedAt', 'DESC']],
    }),
    models.PracticeSession.findAll({
      where: { setById: personId, personId: { [Op.ne]: personId } },
      order: [['id', 'DESC']],
      limit: LISTED,
    }),
    models.Person.findAll({ where: { active: true }, order: [['name', 'ASC']] }),
  ]);
  const names = new Map(people.map((p) => [p.id, p.name]));
  const finished = done.flatMap((s) => openedOf(s) ?? []);
  const progress = progressOf(finished);
  return {
    open: open.map((s) => lineOf(s, names)),
    done: done.slice(0, LISTED).map((s) => lineOf(s, names)),
    set: set.map((s) => lineOf(s, names)),
    kinds: KINDS.map((k) => ({ value: k as string, name: KIND_NAMES[k] })),
    people: people.filter((p) => p.id !== personId).map((p) => ({ id: p.id, name: p.name })),
    finished: finished.length,
    mean: finished.length === 0 ? null : finished.reduce((sum, f) => sum + f.score, 0) / finished.length,
    progress,
    next: nextToTry(progress),
  };
}

export type LoadedPractice = Awaited<ReturnType<typeof loadPractice>>;

/** One's own practice instrument: its bench, and its inside once it was handed back. Null where there is none. */
export async function loadBench(db: Db, personId: number, id: number) {
  const session = await db.models.PracticeSession.findOne({ where: { id, personId } });
  const instrument = session ? instrumentOf(session.code) : null;
  if (!session || !instrument) return null;
  const bench = benchAfter(instrument, await actsOf(db, id));
  const opened = session.endedAt === null ? null : openedOf(session);
  const truth = opened === null ? null : shapesOf(instrument, bench.inside);
  const setBy =
    session.setById === null ? null : ((await db.models.Person.findByPk(session.setById))?.name ?? null);
  return { id, version: session.version, setBy, view: benchView(instrument, bench), opened, truth };
}

export type LoadedBench = NonNullable<Awaited<ReturnType<typeof loadBench>>>;

/** The neck of a practice instrument for drawing, as it came and as it went: only once it is opened. mm */
function shapesOf(instrument: NonNullable<ReturnType<typeof instrumentOf>>, now: typeof instrument.inside) {
  const shape = (inside: typeof now) => {
    const o = outcomeOf({ ...inside, flat: 0 });
    return {
      relief: o.relief,
      action: [...o.action],
      gap: [...o.gap],
      tops: inside.moves.tops.map((t, n) => t + (inside.lifted[n] ?? 0)),
    };
  };
  return { came: shape(instrument.inside), went: shape(now) };
}

/** A string over the frets of one's own practice instrument, for its sound. Null where there is none. */
export async function loadSounding(
  db: Db,
  personId: number,
  id: number,
  place: Place,
): Promise<SoundingPlace | null> {
  const session = await db.models.PracticeSession.findOne({ where: { id, personId, endedAt: null } });
  const instrument = session ? instrumentOf(session.code) : null;
  if (!instrument) return null;
  if (checkAct(instrument.inside.construction, { kind: 'pluck', ...place }) !== null) return null;
  const { inside } = benchAfter(instrument, await actsOf(db, id));
  return soundingNow(inside, place);
}

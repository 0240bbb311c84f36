import { Op, QueryTypes } from 'sequelize';
import type { Failure } from '../../core/keep/say-failure.ts';
import type { Database } from '../db/connection.ts';
import { isFull } from './no-room.ts';
import { cleanPath, hearFailures, type LogFacts } from './log.ts';

/** So many different ones wait at most while the database is away. */
const MOST = 200;
const SOON_MS = 1000;
const AGAIN_MS = 30_000;
const SHOWN = 20;
const DAYS = 30;
const DAY_MS = 86_400_000;

interface Waiting extends Failure {
  readonly request: string;
  readonly times: number;
  readonly first: Date;
  readonly last: Date;
}

/** Whether a fault, or what caused it, is of a kind. */
const isOf = (error: unknown, kind: (e: Error) => boolean): boolean =>
  error instanceof Error && (kind(error) || isOf(error.cause, kind));

const ofDatabase = (e: Error): boolean => /^Sequelize/.test(e.name) || 'parent' in e;
/** What the machine itself refuses carries its own code: a full disk, a line that is down. */
const ofMachine = (e: Error): boolean => /^E[A-Z]+$/.test(String((e as NodeJS.ErrnoException).code ?? ''));

const whyOf = (error: unknown): Failure['why'] =>
  isOf(error, isFull)
    ? 'machine'
    : isOf(error, ofDatabase)
      ? 'database'
      : isOf(error, ofMachine)
        ? 'machine'
        : 'program';

/** What did not work and is not yet in the record: each once, with how often. */
export class Failures {
  private readonly waiting = new Map<string, Waiting>();

  /** Takes a fault as the log says it. Nothing of what was typed is in it. */
  note(words: string, facts: LogFacts, now: Date = new Date()): void {
    const failure: Failure = {
      words: words.slice(0, 120),
      name: cleanPath(facts.name ?? facts.at ?? '').slice(0, 160),
      why: whyOf(facts.error),
    };
    const key = Object.values(failure).join('\n');
    const known = this.waiting.get(key);
    if (!known && this.waiting.size >= MOST) return;
    this.waiting.set(key, {
      ...failure,
      request: (facts.request ?? known?.request ?? '').slice(0, 40),
      times: (known?.times ?? 0) + 1,
      first: known?.first ?? now,
      last: now,
    });
  }

  get isEmpty(): boolean {
    return this.waiting.size === 0;
  }

  /** Writes down what waits; what cannot be written waits on. */
  async keep({ sequelize }: Pick<Database, 'sequelize'>): Promise<void> {
    for (const [key, f] of [...this.waiting]) {
      await sequelize.query(
        `INSERT INTO failures (words, name, why, request, times, first_at, last_at)
         VALUES (:words, :name, :why, :request, :times, :first, :last)
         ON DUPLICATE KEY UPDATE times = times + VALUES(times), last_at = VALUES(last_at),
           request = IF(VALUES(request) = '', request, VALUES(request))`,
        { type: QueryTypes.INSERT, replacements: { ...f } },
      );
      const now = this.waiting.get(key);
      // What failed again meanwhile is written the next time.
      if (now === f) this.waiting.delete(key);
      else if (now) this.waiting.set(key, { ...now, times: now.times - f.times });
    }
  }
}

/** Keeps what this process logs as failed, soon after it was logged. */
export function keepFailures(db: () => Pick<Database, 'sequelize'>): Failures {
  const failures = new Failures();
  let planned = false;
  const plan = (ms: number): void => {
    if (planned) return;
    planned = true;
    setTimeout(() => {
      planned = false;
      // A database that is away is no failure of its own: what waits is tried again.
      Promise.resolve()
        .then(() => failures.keep(db()))
        .then(
          () => undefined,
          () => plan(AGAIN_MS),
        );
    }, ms).unref();
  };
  hearFailures((words, facts) => {
    failures.note(words, facts);
    plan(SOON_MS);
  });
  return failures;
}

/** What did not work in the last month, newest first, each with how often since when. */
export async function loadFailures({ models }: Pick<Database, 'models'>, now: Date) {
  const since = new Date(now.getTime() - DAYS * DAY_MS);
  const rows = await models.FailureRow.findAll({
    where: { lastAt: { [Op.gte]: since } },
    order: [['lastAt', 'DESC']],
    limit: SHOWN,
  });
  return rows.map(({ id, words, name, why, request, times, firstAt, lastAt }) => ({
    id,
    words,
    name,
    why,
    request,
    times,
    since: firstAt.toISOString(),
    at: lastAt.toISOString(),
  }));
}

export type LoadedFailures = Awaited<ReturnType<typeof loadFailures>>;

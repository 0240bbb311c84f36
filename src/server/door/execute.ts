import { isGone, pauseBeforeTry } from '../db/cluster.ts';
import { newestPlace } from '../db/house-secrets.ts';
import { DatabaseError, Transaction, UniqueConstraintError } from 'sequelize';
import {
  COMMANDS,
  type CommandAnswer,
  type CommandInput,
  type CommandName,
} from '../../contracts/commands/commands.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { may } from '../../core/people/roles.ts';
import { notPlain } from '../../contracts/plain-text.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import { houseLog } from '../keep/log.ts';
import { LOOK_ONLY_SAYS, lookOnly } from '../keep/look-only.ts';
import { commandDone, keepCommand, type KeptCommand } from './kept-command.ts';
import { USE_CASES } from './registry.ts';
import type { Actor, UseCase } from '../use-case/use-case.ts';

class Rollback extends Error {
  readonly failure: Failure;

  constructor(failure: Failure) {
    super(failure.message);
    this.failure = failure;
  }
}

const RETRIES = 6;
/** Until another node serves, some seconds: the same command is never done twice. */
const RETRIES_ELSEWHERE = 9;

const invalid = (fields: Readonly<Record<string, string>>): Failure => ({
  code: 'invalid',
  message: 'Something is missing or cannot be read.',
  fields,
});

/** What the database itself refuses of what was sent: beyond a column, no such row. */
const REFUSED_BY_DATABASE = new Set([
  'ER_DATA_TOO_LONG',
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_DATA_OUT_OF_RANGE',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
  'ER_NO_REFERENCED_ROW_2',
  'ER_CONSTRAINT_FAILED',
]);

const refusedByDatabase = (e: unknown): boolean =>
  e instanceof DatabaseError && REFUSED_BY_DATABASE.has((e.parent as { code?: string }).code ?? '');

function parse<N extends CommandName>(name: N, raw: unknown): Result<CommandInput<N>, Failure> {
  const odd = notPlain(raw);
  if (odd !== null) return fail(invalid({ [odd]: 'There is a character in it that cannot be kept.' }));
  const read = COMMANDS[name].input.safeParse(raw);
  if (read.success) return ok(read.data as CommandInput<N>);
  const fields: Record<string, string> = {};
  for (const issue of read.error.issues) fields[issue.path.join('.')] ??= issue.message;
  return fail(invalid(fields));
}

/** What is kept of an answer, and under which of the house's secrets what is left out of it was made. */
const answerKept = <N extends CommandName>(found: UseCase<N>, answer: CommandAnswer<N>): unknown =>
  found.secret ? { ...(found.secret.kept(answer) as object), under: newestPlace() } : answer;

const firstAnswer = <N extends CommandName>(found: UseCase<N>, row: KeptCommand): CommandAnswer<N> => {
  if (!found.secret) return row.answer as CommandAnswer<N>;
  const { under = 0, ...kept } = row.answer as { readonly under?: number };
  return found.secret.whole(kept, row.id, under);
};

async function runOnce<N extends CommandName>(
  db: Database,
  found: UseCase<N>,
  actor: Actor,
  input: CommandInput<N>,
  commandId: string,
  now: Date,
  arrived: Date,
  isAgain: boolean,
): Promise<CommandAnswer<N>> {
  const isolationLevel = Transaction.ISOLATION_LEVELS.READ_COMMITTED;
  return db.sequelize.transaction({ isolationLevel }, async (t) => {
    const { models } = db;
    // Hardly any command is one that was carried out before: that is found when it is to be kept a second time.
    const before = isAgain ? await commandDone(db.sequelize, commandId, t) : null;
    if (before) {
      if (before.personId !== actor.personId || before.name !== found.name) {
        throw new Rollback(refuse('This command was already used for something else.'));
      }
      return firstAnswer(found, before);
    }
    const waited = arrived.getTime() > now.getTime();
    const work = { actor, models, t, now, commandId, ...(waited && { arrived }) };
    const done = await found.run(work, input);
    if (!done.ok) throw new Rollback(done.error);
    const kept = {
      id: commandId,
      name: found.name,
      personId: actor.personId,
      answer: answerKept(found, done.value),
    };
    await keepCommand(db.sequelize, kept, now, t);
    return done.value;
  });
}

const OLDEST_MS = 48 * 3_600_000;

/**
 * The moment of what is done, by the house's clock: now, or so long ago as it waited on a tablet that had no connection. A
 * tablet never says what time it is. What claims to have waited for days is of now.
 */
function whenDone(input: unknown, now: Date): Date {
  const { ago = 0 } = input as { readonly ago?: number };
  return ago < OLDEST_MS ? new Date(now.getTime() - ago) : now;
}

/** What the same command answered when it was carried out before or beside this one: a refusal caused by oneself is none. */
async function answeredMeanwhile<N extends CommandName>(
  db: Database,
  found: UseCase<N>,
  actor: Actor,
  commandId: string,
): Promise<CommandAnswer<N> | null> {
  const first = await commandDone(db.sequelize, commandId);
  if (!first || first.personId !== actor.personId || first.name !== found.name) return null;
  return firstAnswer(found, first);
}

const KEY = Symbol.for('rubrica.running-commands');
type Running = Map<string, Promise<Result<unknown, Failure>>>;
type Holder = { [KEY]?: Running };

/**
 * A command that is asked for again while it is under way is not begun beside itself: what it would be refused for now may be
 * otherwise when the first, which waits for its turn, is carried out.
 */
function once<T>(key: string, what: () => Promise<Result<T, Failure>>): Promise<Result<T, Failure>> {
  const holder = globalThis as Holder;
  const running = (holder[KEY] ??= new Map());
  const before = running.get(key);
  if (before) return before as Promise<Result<T, Failure>>;
  const made = what().finally(() => running.delete(key));
  running.set(key, made);
  return made;
}

/**
 * Carries out a command once: who asks and what is asked are checked, then everything happens in one transaction or not
 * at all. The same `commandId` again gives the first answer again. Deadlocks are given again by the connection, and on a
 * cluster what was under way at a node that is lost.
 */
export async function execute<N extends CommandName>(
  db: Database,
  actor: Actor,
  name: N,
  raw: unknown,
  commandId: string,
  now: () => Date = () => new Date(),
): Promise<Result<CommandAnswer<N>, Failure>> {
  const found = USE_CASES[name] as unknown as UseCase<N>;
  if (!may(actor.role, COMMANDS[name].may)) {
    return fail({
      code: 'not-allowed',
      message: `${actor.name} (${actor.role}) may not do this. Ask a lead.`,
    });
  }
  if (lookOnly() !== null) return fail(refuse(LOOK_ONLY_SAYS));
  const input = parse(name, raw);
  if (!input.ok) return input;
  return once(`${actor.personId} ${name} ${commandId}`, () =>
    carryOut(db, actor, found, input.value, commandId, now),
  );
}

/** Two that are new at once, of which the second finds what the first made; or what is lost with its node. */
const isWorthAgain = (e: unknown): boolean => e instanceof UniqueConstraintError || isGone(e);

async function carryOut<N extends CommandName>(
  db: Database,
  actor: Actor,
  found: UseCase<N>,
  input: CommandInput<N>,
  commandId: string,
  now: () => Date,
): Promise<Result<CommandAnswer<N>, Failure>> {
  const { name } = found;
  for (let attempt = 0; ; attempt++) {
    try {
      const arrived = now();
      const moment = whenDone(input, arrived);
      return ok(await runOnce(db, found, actor, input, commandId, moment, arrived, attempt > 0));
    } catch (e) {
      if (!isWorthAgain(e)) {
        const first = await answeredMeanwhile(db, found, actor, commandId);
        if (first !== null) return ok(first);
        if (e instanceof Rollback) return fail(e.failure);
      }
      if (refusedByDatabase(e)) {
        houseLog().warn('the database refused what a schema let through', {
          command: commandId,
          name,
          error: e,
        });
        return fail(invalid({}));
      }
      const most = isGone(e) ? RETRIES_ELSEWHERE : RETRIES;
      if (!isWorthAgain(e) || attempt >= most || (isGone(e) && db.goesOn !== true)) throw e;
      await new Promise((r) => setTimeout(r, pauseBeforeTry(attempt)));
    }
  }
}

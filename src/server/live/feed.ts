import { QueryTypes } from 'sequelize';
import type { Change } from '../../contracts/concerns.ts';
import { database, type Database } from '../db/connection.ts';
import { give } from '../db/give.ts';
import { expectBurst } from '../db/shared-load.ts';
import { sweep } from '../keep/sweep.ts';

/** What a screen hears of an event: enough to know whether to look again. */
export interface FeedEvent extends Change {
  readonly id: number;
  readonly personId: number | null;
}

const EVENTS_SQL =
  'SELECT e.id, j.number AS job, e.kind, e.person_id AS personId, e.command_id AS command FROM events e LEFT JOIN jobs j ON j.id = e.job_id';

type Listener = (heard: readonly FeedEvent[]) => void;

const POLL_MS = 75;
/** Where nothing happened for a while, another process's first change may take this long to be heard. */
const QUIET_POLL_MS = 250;
const QUIET_AFTER_MS = 3_000;
/** What only serves for a while is swept so often. */
const SWEEP_MS = 3_600_000;
/** How long until the database is asked again where it was away at the beginning. */
const BEGIN_MS = 500;
/** Ids are given before a transaction commits: look back so far that a slow one is not overlooked. */
const LOOK_BACK = 500;

/** How far the event log went when a page was made: its newest id, and how many rows stood where a late one may still come. */
export interface LogPosition {
  readonly newest: number;
  readonly count: number;
}

/** How far the event log goes now. */
export async function logPosition(db: Database): Promise<LogPosition> {
  const [there] = await db.sequelize.query<{ newest: number; count: number }>(
    `SELECT COALESCE(MAX(id), 0) AS newest, COUNT(*) AS count FROM events
      WHERE id > (SELECT COALESCE(MAX(id), 0) - ${LOOK_BACK} FROM events)`,
    { type: QueryTypes.SELECT },
  );
  return { newest: Number(there?.newest ?? 0), count: Number(there?.count ?? 0) };
}

/** Something was missed, nobody knows what: every screen has to look again. */
export const MISSED: Change = { kind: 'missed', job: null };

/**
 * What happened since a page was made. Where it is much, or came late under an older number, it is said as one change of the
 * whole house.
 */
export async function changesSince(
  db: Database,
  { newest, count }: LogPosition,
): Promise<readonly (FeedEvent | Change)[]> {
  const rows = await db.sequelize.query<FeedEvent>(
    `${EVENTS_SQL} WHERE e.id > ? ORDER BY e.id LIMIT ${2 * LOOK_BACK}`,
    { type: QueryTypes.SELECT, replacements: [newest - LOOK_BACK] },
  );
  const before = rows.filter((e) => e.id <= newest).length;
  return before === count && rows.length < 2 * LOOK_BACK ? rows.slice(before) : [MISSED];
}

interface Listening {
  readonly heard: Listener;
  /** called once it is known what was told before: from then on nothing is missed */
  readonly begun: () => void;
}

/**
 * Reads the event log and tells listeners what is new. It asks the database, so events of every process arrive. It runs
 * only while somebody listens, and never twice at once.
 */
export class EventFeed {
  private readonly listeners = new Set<Listening>();
  /** the run that tells: one that was left by its last listener tells nothing any more */
  private run: { known: boolean } | null = null;
  private newest = 0;
  private seen = new Set<number>();
  private woken = false;
  private happenedAt = -Infinity;
  private goOn: () => void = () => undefined;
  private sweptAt = -Infinity;

  private readonly db: () => Database;

  constructor(db: () => Database) {
    this.db = db;
  }

  /** Tells what happens from the moment `begun` is called; returns how to stop. */
  listen(heard: Listener, begun: () => void = () => undefined): () => void {
    const one: Listening = { heard, begun };
    this.listeners.add(one);
    if (!this.run) {
      const run = (this.run = { known: false });
      void this.tell(run);
    } else if (this.run.known) begun();
    return () => {
      this.listeners.delete(one);
      if (this.listeners.size > 0) return;
      this.run = null;
      this.goOn();
    };
  }

  /** Something was written in this process: its own screens need not wait for the next poll. */
  wake(): void {
    this.woken = true;
    this.happenedAt = Date.now();
    this.goOn();
  }

  private async tell(run: { known: boolean }): Promise<void> {
    // Without the database nothing is known of what was told before: it begins when that can be read.
    for (;;) {
      const known = await this.read(Number.MAX_SAFE_INTEGER).catch(() => null);
      if (this.run !== run) return;
      if (known) {
        this.seen = new Set(known.map((e) => e.id));
        this.newest = Math.max(0, ...this.seen);
        break;
      }
      await this.pause(BEGIN_MS);
      if (this.run !== run) return;
    }
    run.known = true;
    for (const one of this.listeners) one.begun();
    while (this.run === run) {
      // Cleared before the log is read: what is written after that wants another look.
      this.woken = false;
      await this.poll(run);
      const quiet = Date.now() - this.happenedAt > QUIET_AFTER_MS;
      if (!this.woken && this.run === run) await this.pause(quiet ? QUIET_POLL_MS : POLL_MS);
    }
  }

  private pause(ms: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, ms);
      this.goOn = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }

  private async read(newest: number): Promise<FeedEvent[]> {
    const latest = newest === Number.MAX_SAFE_INTEGER;
    return give<FeedEvent[]>(
      this.db().sequelize,
      latest
        ? `${EVENTS_SQL} ORDER BY e.id DESC LIMIT ${LOOK_BACK}`
        : `${EVENTS_SQL} WHERE e.id > :since ORDER BY e.id`,
      { since: Math.max(0, newest - LOOK_BACK) },
    );
  }

  /**
   * What was not told yet. As many rows as were told already, back to where a late one may still come, are not read again: one that
   * was given its number early and committed late makes it one more.
   */
  private async fresh(): Promise<FeedEvent[]> {
    const since = Math.max(0, this.newest - LOOK_BACK);
    const [there] = await give<readonly { readonly n: number }[]>(
      this.db().sequelize,
      'SELECT COUNT(*) AS n FROM events WHERE id > :since',
      { since },
    );
    let told = 0;
    for (const id of this.seen) if (id > since) told++;
    if (Number(there?.n) === told) return [];
    return (await this.read(this.newest)).filter((e) => !this.seen.has(e.id));
  }

  private async poll(run: { known: boolean }): Promise<void> {
    try {
      if (Date.now() - this.sweptAt > SWEEP_MS) {
        this.sweptAt = Date.now();
        await sweep(this.db(), new Date());
      }
      const fresh = await this.fresh();
      if (fresh.length === 0 || this.run !== run) return;
      this.happenedAt = Date.now();
      for (const e of fresh) this.seen.add(e.id);
      this.newest = Math.max(this.newest, ...fresh.map((e) => e.id));
      if (this.seen.size > 4 * LOOK_BACK)
        this.seen = new Set([...this.seen].filter((id) => id > this.newest - LOOK_BACK));
      expectBurst();
      for (const { heard } of this.listeners) heard(fresh);
    } catch {
      // The database is away for a moment: the next poll tries again from the same place.
    }
  }
}

const KEY = Symbol.for('rubrica.feed');
type Holder = { [KEY]?: EventFeed };

/** Listens to the house's events from the moment `begun` is called; returns how to stop. */
export function listenToEvents(heard: Listener, begun?: () => void): () => void {
  const holder = globalThis as Holder;
  holder[KEY] ??= new EventFeed(database);
  return holder[KEY].listen(heard, begun);
}

/** Says that something was written, so that this process's screens hear of it at once. */
export const wakeFeed = (): void => (globalThis as Holder)[KEY]?.wake();

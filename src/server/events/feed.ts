import { QueryTypes } from 'sequelize';
import { database, type Database } from '../db/connection.ts';

/** What a screen hears of an event: enough to know whether to look again. */
export interface Heard {
  readonly id: number;
  readonly jobId: number | null;
  readonly kind: string;
  readonly personId: number | null;
}

type Listener = (heard: readonly Heard[]) => void;

const POLL_MS = 400;
/** Ids are given before a transaction commits: look back so far that a slow one is not overlooked. */
const LOOK_BACK = 500;

/**
 * Reads the event log and tells listeners what is new. It asks the database, so events of every process arrive. It runs
 * only while somebody listens.
 */
class EventFeed {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | null = null;
  private newest = 0;
  private seen = new Set<number>();

  constructor(private readonly db: () => Database) {}

  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    if (this.listeners.size === 1) void this.begin();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0 && this.timer) {
        clearTimeout(this.timer);
        this.timer = null;
      }
    };
  }

  private async begin(): Promise<void> {
    try {
      const known = await this.read(Number.MAX_SAFE_INTEGER);
      this.seen = new Set(known.map((e) => e.id));
      this.newest = Math.max(0, ...this.seen);
    } catch {
      this.newest = 0;
    }
    this.again();
  }

  private again(): void {
    if (this.listeners.size > 0) this.timer = setTimeout(() => void this.poll(), POLL_MS);
  }

  private async read(newest: number): Promise<Heard[]> {
    const latest = newest === Number.MAX_SAFE_INTEGER;
    return this.db().sequelize.query<Heard>(
      latest
        ? `SELECT id, job_id AS jobId, kind, person_id AS personId FROM events ORDER BY id DESC LIMIT ${LOOK_BACK}`
        : 'SELECT id, job_id AS jobId, kind, person_id AS personId FROM events WHERE id > ? ORDER BY id',
      { type: QueryTypes.SELECT, replacements: latest ? [] : [Math.max(0, newest - LOOK_BACK)] },
    );
  }

  private async poll(): Promise<void> {
    try {
      const fresh = (await this.read(this.newest)).filter((e) => !this.seen.has(e.id));
      for (const e of fresh) this.seen.add(e.id);
      this.newest = Math.max(this.newest, ...fresh.map((e) => e.id));
      if (this.seen.size > 4 * LOOK_BACK)
        this.seen = new Set([...this.seen].filter((id) => id > this.newest - LOOK_BACK));
      if (fresh.length > 0) for (const listener of this.listeners) listener(fresh);
    } catch {
      // The database is away for a moment: the next poll tries again from the same place.
    }
    this.again();
  }
}

const KEY = Symbol.for('rubrica.feed');
type Holder = { [KEY]?: EventFeed };

/** Listens to the house's events; returns how to stop. */
export function listenToEvents(listener: Listener): () => void {
  const holder = globalThis as Holder;
  holder[KEY] ??= new EventFeed(database);
  return holder[KEY].listen(listener);
}

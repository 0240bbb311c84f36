/** A record on a cluster of databases: which node is asked, and what makes changes at two nodes at once as safe as at one. */
import { AsyncLocalStorage } from 'node:async_hooks';
import { connect } from 'node:net';
import {
  ConnectionError,
  DatabaseError,
  QueryTypes,
  type QueryOptions,
  Transaction,
  type Sequelize,
  type TransactionOptions,
} from 'sequelize';
import { isDeadlock } from './is-deadlock.ts';

/** The addresses of a record, the preferred first: one, or those of the nodes of a cluster with spaces between them. */
export const addressesOf = (url: string): readonly string[] => url.trim().split(/\s+/);

/** So long a node has to say something before another is asked. */
const REACH_MS = 1_000;

/** Whether a database answers there. */
function answers(host: string, port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect({ host, port });
    const end = (yes: boolean): void => {
      socket.destroy();
      resolve(yes);
    };
    socket.once('data', () => end(true));
    socket.once('error', () => end(false));
    socket.once('close', () => end(false));
    socket.setTimeout(REACH_MS, () => end(false));
  });
}

/** Where one node is reached. */
interface Node {
  readonly host: string;
  readonly port: number;
}

/**
 * The nodes of one record. One is kept to while it serves, so that an application's own changes never meet; when it is gone, the
 * next that answers is taken.
 */
export class Nodes {
  private readonly nodes: readonly Node[];
  private at = 0;

  constructor(addresses: readonly string[]) {
    this.nodes = addresses.map((a) => {
      const { hostname, port } = new URL(a);
      return { host: hostname, port: Number(port || 3306) };
    });
  }

  get areSeveral(): boolean {
    return this.nodes.length > 1;
  }

  /** The node to connect to now; the present one where none answers. */
  async choose(): Promise<Node> {
    for (let i = 0; i < this.nodes.length; i++) {
      const at = (this.at + i) % this.nodes.length;
      const node = this.nodes[at];
      if (!node || !(await answers(node.host, node.port))) continue;
      this.at = at;
      return node;
    }
    return this.nodes[this.at] ?? { host: '', port: 0 };
  }

  /** A node answers and may serve nothing, since it lost the others: the next one is asked. */
  leave({ host, port }: Node): void {
    const now = this.nodes[this.at];
    if (now?.host === host && now.port === port) this.at = (this.at + 1) % this.nodes.length;
  }
}

/**
 * One address that answers now, for programs that know only one; the first where none does.
 * @param url as `addressesOf` reads it
 */
export async function oneAddress(url: string): Promise<string> {
  const addresses = addressesOf(url);
  const { host, port } = await new Nodes(addresses).choose();
  return (
    addresses.find((a) => new URL(a).hostname === host && Number(new URL(a).port || 3306) === port) ?? url
  );
}

/** How one node of a record's cluster is; null: it does not answer. */
export interface NodeState {
  readonly address: string;
  /** whether it serves, and how many nodes it knows of, itself among them */
  readonly state: { readonly serves: boolean; readonly knows: number } | null;
}

/**
 * How the nodes of a cluster are, each asked by itself, so that one that is gone is seen while the others serve.
 * @param url as `addressesOf` reads it
 * @param ask asks one node at its own address for its state by name
 */
export function nodeStates(
  url: string,
  ask: (address: string) => Promise<Readonly<Record<string, string>>>,
): Promise<readonly NodeState[]> {
  return Promise.all(
    addressesOf(url).map(async (whole) => {
      const { hostname, port } = new URL(whole);
      const node = { host: hostname, port: Number(port || 3306) };
      const address = `${node.host}:${node.port}`;
      if (!(await answers(node.host, node.port))) return { address, state: null };
      const said = await ask(whole).catch(() => null);
      if (said === null) return { address, state: null };
      const serves = said['wsrep_ready'] === 'ON' && said['wsrep_cluster_status'] === 'Primary';
      return { address, state: { serves, knows: Number(said['wsrep_cluster_size'] ?? 0) } };
    }),
  );
}

/** A node that lost the others. */
const SERVES_NOTHING = 1047;
/** What took too long is ended by the database; its connection is as good as before. */
const TOOK_TOO_LONG = 1969;

/** Whether it was the connection that ended, or its node that serves nothing just now: what was asked may have been done or not. */
export function isGone(e: unknown): boolean {
  if (e instanceof ConnectionError) return true;
  if (!(e instanceof DatabaseError)) return false;
  const { errno, fatal } = e.parent as { errno?: number; fatal?: boolean };
  return errno === SERVES_NOTHING || (fatal === true && errno !== TOOK_TOO_LONG);
}

/** What another change or the loss of a node undid is given again so often; the pauses grow to some seconds in all. */
const TRIES = 9;
export const pauseBeforeTry = (attempt: number): number => Math.min(1_000, 15 * 2 ** attempt);

/** A long transaction among many short ones at other nodes is undone again and again: so long it is worth it. */
const TURN_WITHIN_MS = 25_000;
/** Whoever waits for its turn longer goes anyway: what holds it up may wait for it. */
const QUEUE_MS = 10_000;

/**
 * A queue in which one after the other does something. On a cluster all changes of a node stand in one row's queue anyway; standing
 * here instead, only the first of them is undone by another node's change, and is the first again.
 */
export function oneByOne(longest: number = QUEUE_MS): <T>(what: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return async (what) => {
    const before = last;
    let leave = (): void => undefined;
    const own = new Promise<void>((resolve) => (leave = resolve));
    last = Promise.all([before, own]);
    let tired: NodeJS.Timeout | undefined;
    await Promise.race([before, new Promise((resolve) => (tired = setTimeout(resolve, longest)))]);
    clearTimeout(tired);
    return what().finally(leave);
  };
}

/** Does something again while it is worth it. */
async function again<T>(
  what: () => Promise<T>,
  isWorth: (e: unknown, attempt: number) => boolean,
): Promise<T> {
  for (let attempt = 0; ; attempt++) {
    try {
      return await what();
    } catch (e) {
      if (!isWorth(e, attempt)) throw e;
      // Those that met do not come back in step.
      await new Promise((r) => setTimeout(r, pauseBeforeTry(attempt) * (0.5 + Math.random() / 2)));
    }
  }
}

/** The transaction something is done within. */
const within = new AsyncLocalStorage<Transaction>();
/** What a transaction left behind it when it ended is within none. */
const isWithin = (): boolean => {
  const t = within.getStore() as { readonly finished?: string } | undefined;
  return t !== undefined && t.finished === undefined;
};

/** Connections read what is committed, as commands do, so that need not be said each time; any other transaction reads what stood when it began. */
const isolated = ({ isolationLevel, ...o }: TransactionOptions): TransactionOptions => {
  const { READ_COMMITTED, REPEATABLE_READ } = Transaction.ISOLATION_LEVELS;
  return isolationLevel === READ_COMMITTED ? o : { ...o, isolationLevel: isolationLevel ?? REPEATABLE_READ };
};

const TURN = 'UPDATE turns SET taken = taken + 1 WHERE id = 1';

type Work<T> = (t: Transaction) => PromiseLike<T>;

/**
 * Gives a transaction again that the database gave up because of another one, and makes a connection pool safe on a cluster: locks
 * are held at one node alone there, so every transaction counts one further in one row first, and of two at two nodes the later is
 * undone as a whole. One begun inside another belongs to that one's turn.
 * @param isCluster whether the database is one; known from the first connection on
 */
export function takeTurns(sequelize: Sequelize, isCluster: () => boolean): void {
  const begin = sequelize.transaction.bind(sequelize) as <T>(
    o: TransactionOptions,
    work?: Work<T>,
  ) => Promise<T>;
  const inTurn = <T>(o: TransactionOptions, work: Work<T>): Promise<T> =>
    begin(o, async (t) => {
      if (!isCluster()) return work(t);
      await sequelize.query(TURN, { transaction: t });
      return within.run(t, () => work(t));
    });
  const inQueue = oneByOne();
  const transaction = <T>(first?: TransactionOptions | Work<T>, second?: Work<T>): Promise<T> => {
    const [given = {}, work] = typeof first === 'function' ? [{}, first] : [first, second];
    const o = isolated(given);
    // Whoever ends it by hand looks after it alone.
    if (work === undefined || isWithin()) return begin(o, work);
    const done = (): Promise<T> => {
      const began = Date.now();
      return again(
        () => inTurn(o, work),
        (e) => isDeadlock(e) && Date.now() - began < TURN_WITHIN_MS,
      );
    };
    return isCluster() ? inQueue(done) : done();
  };
  Object.assign(sequelize, { transaction });
}

/** Those whose record has several nodes. */
const several = new WeakSet<Sequelize>();

/** Reads, outside any transaction; again where a node was lost meanwhile and another may go on. */
export const readAgain = <T>(sequelize: Sequelize, read: () => Promise<T>): Promise<T> =>
  several.has(sequelize) ? again(read, (e, attempt) => isGone(e) && attempt < TRIES) : read();

/** Asks again what is only read where a node was lost meanwhile. */
export function readOn(sequelize: Sequelize): void {
  several.add(sequelize);
  const ask = sequelize.query.bind(sequelize) as (sql: unknown, o?: QueryOptions) => Promise<unknown>;
  const query = (sql: unknown, o?: QueryOptions): Promise<unknown> => {
    const onlyReads = o?.type === QueryTypes.SELECT && !o.transaction;
    return onlyReads ? readAgain(sequelize, () => ask(sql, o)) : ask(sql, o);
  };
  Object.assign(sequelize, { query });
}

interface Lane {
  readonly running: Promise<unknown>;
  /** whether it has begun to load: who comes before that shares it */
  begun: boolean;
  /** the load that begins when this one has ended, for all who asked meanwhile */
  next: Promise<unknown> | null;
}

/** After a change the screens come to look, one after the other: how long, and how long the first of them waits for others. */
const RUSH_MS = 400;
const COLLECT_MS = 25;

const KEY = Symbol.for('rubrica.rush');
type Holder = { [KEY]?: number };

const lanes = new Map<string, Lane>();

/** Says that a change was told to the screens of this process: they will come to look. */
export function expectRush(): void {
  (globalThis as Holder)[KEY] = performance.now() + RUSH_MS;
}

const inRush = (): boolean => performance.now() < ((globalThis as Holder)[KEY] ?? 0);

function run<T>(key: string, load: () => Promise<T>, after: number): Promise<T> {
  const begin = () => {
    lane.begun = true;
    return load();
  };
  const lane: Lane = {
    begun: false,
    next: null,
    running: (after > 0 ? new Promise((r) => setTimeout(r, after)) : Promise.resolve()).then(begin),
  };
  lanes.set(key, lane);
  const ended = () => {
    if (lanes.get(key) === lane && lane.next === null) lanes.delete(key);
  };
  lane.running.then(ended, ended);
  return lane.running as Promise<T>;
}

/**
 * Loads what many screens ask for at the same moment once for all of them. Nothing is kept: who asks while a load of the
 * same thing runs is given the next one, so that no load is older than the wish for it. In the rush after a change the first
 * waits a moment for the others. What it gives is shared and must not be changed.
 * @param key everything the load depends on, besides the database
 */
export function sharedLoad<T>(key: string, load: () => Promise<T>): Promise<T> {
  const lane = lanes.get(key);
  if (!lane) return run(key, load, inRush() ? COLLECT_MS : 0);
  if (!lane.begun) return lane.running as Promise<T>;
  const after = () => run(key, load, 0);
  lane.next ??= lane.running.then(after, after);
  return lane.next as Promise<T>;
}

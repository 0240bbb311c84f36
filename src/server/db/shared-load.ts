interface Flight {
  readonly running: Promise<unknown>;
  /** whether it has begun to load: who comes before that shares it */
  begun: boolean;
  /** the load that begins when this one has ended, for all who asked meanwhile */
  next: Promise<unknown> | null;
}

/** After a change the screens come to look, one after the other: how long, and how long the first of them waits for others. */
const BURST_MS = 400;
const COLLECT_MS = 25;

const KEY = Symbol.for('rubrica.burst');
type Holder = { [KEY]?: number };

const flights = new Map<string, Flight>();

/** Says that a change was told to the screens of this process: they will come to look. */
export function expectBurst(): void {
  (globalThis as Holder)[KEY] = performance.now() + BURST_MS;
}

const inBurst = (): boolean => performance.now() < ((globalThis as Holder)[KEY] ?? 0);

function run<T>(key: string, load: () => Promise<T>, after: number): Promise<T> {
  const begin = () => {
    flight.begun = true;
    return load();
  };
  const flight: Flight = {
    begun: false,
    next: null,
    running: (after > 0 ? new Promise((r) => setTimeout(r, after)) : Promise.resolve()).then(begin),
  };
  flights.set(key, flight);
  const ended = () => {
    if (flights.get(key) === flight && flight.next === null) flights.delete(key);
  };
  flight.running.then(ended, ended);
  return flight.running as Promise<T>;
}

/**
 * Loads what many screens ask for at the same moment once for all of them. Nothing is kept: who asks while a load of the
 * same thing runs is given the next one, so that no load is older than the wish for it. In the burst after a change the first
 * waits a moment for the others. What it gives is shared and must not be changed.
 * @param key everything the load depends on, besides the database
 */
export function sharedLoad<T>(key: string, load: () => Promise<T>): Promise<T> {
  const flight = flights.get(key);
  if (!flight) return run(key, load, inBurst() ? COLLECT_MS : 0);
  if (!flight.begun) return flight.running as Promise<T>;
  const after = () => run(key, load, 0);
  flight.next ??= flight.running.then(after, after);
  return flight.next as Promise<T>;
}

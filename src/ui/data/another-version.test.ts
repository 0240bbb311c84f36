import { watchWaiting } from './another-version.ts';

/** A registration as a browser has it, moved by hand. */
class Registration extends EventTarget {
  installing: EventTarget | null = null;
  waiting: ServiceWorker | null = null;

  finds(): void {
    this.installing = new EventTarget();
    this.dispatchEvent(new Event('updatefound'));
  }

  hasMade(made: EventTarget): void {
    const one = this.installing;
    this.installing = null;
    this.waiting = made as ServiceWorker;
    one?.dispatchEvent(new Event('statechange'));
  }
}

const watched = (worker: Registration, has = true) => {
  const told: (EventTarget | null)[] = [];
  const stop = watchWaiting(
    worker,
    () => has,
    (w) => told.push(w),
  );
  return { last: () => told.at(-1), stop };
};

describe('another version is told', () => {
  const made = new EventTarget();

  test('found after the page began to watch', () => {
    const worker = new Registration();
    const { last } = watched(worker);
    expect(last()).toBeNull();
    worker.finds();
    worker.hasMade(made);
    expect(last()).toBe(made);
  });

  test('found before the page was alive, and still being made', () => {
    const worker = new Registration();
    worker.finds();
    const { last } = watched(worker);
    worker.hasMade(made);
    expect(last()).toBe(made);
  });

  test('made before the page was alive', () => {
    const worker = new Registration();
    worker.finds();
    worker.hasMade(made);
    expect(watched(worker).last()).toBe(made);
  });

  test('the first of all is no other version, and who has left is told nothing', () => {
    const worker = new Registration();
    const first = watched(worker, false);
    const gone = watched(worker);
    gone.stop();
    worker.finds();
    worker.hasMade(made);
    expect(first.last()).toBeNull();
    expect(gone.last()).toBeNull();
  });
});

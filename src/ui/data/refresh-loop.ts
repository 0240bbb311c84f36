/** What a loop needs of the world; timers are given so that it can be tried without waiting. */
export interface LoopParts {
  /** shows what there is now; whether it could */
  readonly refresh: () => Promise<boolean>;
  /** how long a change waits for others that come with it, ms */
  readonly settle: number;
  /** how long until it is tried again where it could not, ms */
  readonly again: number;
  readonly later: (work: () => void, ms: number) => () => void;
}

/** Refreshes after changes, one refresh at a time. */
export interface RefreshLoop {
  /** something changed */
  readonly ask: () => void;
  readonly stop: () => void;
}

/**
 * One refresh serves all that changed until it begins, and one more all that changed while it ran: a flood of changes neither
 * puts the refresh off for ever nor queues one for each of them. One that failed is tried again until it does not.
 */
export function refreshLoop({ refresh, settle, again, later }: LoopParts): RefreshLoop {
  let cancel: (() => void) | null = null;
  let running = false;
  let missed = false;
  let stopped = false;
  const wait = (ms: number): void => {
    cancel ??= later(() => void run(), ms);
  };
  const run = async (): Promise<void> => {
    cancel = null;
    running = true;
    missed = false;
    const done = await refresh().catch(() => false);
    running = false;
    if (stopped) return;
    if (!done) wait(again);
    else if (missed) wait(settle);
  };
  return {
    ask: () => {
      if (stopped) return;
      if (running) missed = true;
      else wait(settle);
    },
    stop: () => {
      stopped = true;
      cancel?.();
    },
  };
}

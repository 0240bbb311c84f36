import { houseLog } from './log.ts';

/** Something that is done again and again, by itself, as long as the process lives. Times in ms. */
export interface Loop {
  readonly first: number;
  readonly every: number;
  /** after a fault of the house itself, such as a database that is away */
  readonly afterFault: number;
  /** what the log says of such a fault */
  readonly fault: string;
  readonly once: () => Promise<unknown>;
}

/** Makes what starts a loop: once a process, however often it is asked. It keeps no process alive. */
export function loopOf({ first, every, afterFault, fault, once }: Loop): () => void {
  let running = false;
  const next = (ms: number): void => {
    setTimeout(() => {
      Promise.resolve()
        .then(once)
        .then(
          () => next(every),
          (error: unknown) => {
            houseLog().warn(fault, { error });
            next(afterFault);
          },
        );
    }, ms).unref();
  };
  return () => {
    if (running) return;
    running = true;
    next(first);
  };
}

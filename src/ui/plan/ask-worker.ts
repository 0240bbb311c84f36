/** How a question to a worker ended. */
export type WorkerState<A> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'working' }
  | { readonly kind: 'answered'; readonly answer: A }
  | { readonly kind: 'failed'; readonly why: 'error' | 'time' | 'cancelled'; readonly detail: string };

/** What a worker is asked and what it gives back, told apart by a number. */
interface Numbered {
  readonly id: number;
}

/** The parts of a worker that are used here. */
export interface WorkerLike<A extends Numbered> {
  postMessage: (message: unknown) => void;
  terminate: () => void;
  onmessage: ((e: { readonly data: A | (Numbered & { readonly error: string }) }) => void) | null;
  onerror: ((e: { readonly message?: string }) => void) | null;
}

/**
 * Asks one worker one question after the other: the newest counts, an answer to an older one is let go. A worker that
 * fails, or takes longer than it may, is ended and a new one is made for the next question.
 * @param make a new worker
 * @param tell what came of the newest question
 * @param patience ms a question may take
 */
export function workerClient<A extends Numbered>(
  make: () => WorkerLike<A>,
  tell: (state: WorkerState<A>) => void,
  patience: number,
) {
  let worker: WorkerLike<A> | null = null;
  let asked = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const end = (): void => {
    clearTimeout(timer);
    worker?.terminate();
    worker = null;
  };
  const failed = (why: 'error' | 'time' | 'cancelled', detail: string): void => {
    end();
    asked++;
    tell({ kind: 'failed', why, detail });
  };
  const open = (): WorkerLike<A> => {
    const own = make();
    own.onmessage = ({ data }) => {
      if (data.id !== asked) return;
      if ('error' in data && typeof data.error === 'string') return failed('error', data.error);
      clearTimeout(timer);
      tell({ kind: 'answered', answer: data as A });
    };
    own.onerror = (e) => failed('error', e.message ?? '');
    return own;
  };
  return {
    ask: (question: object): void => {
      clearTimeout(timer);
      worker ??= open();
      asked++;
      tell({ kind: 'working' });
      timer = setTimeout(() => failed('time', ''), patience);
      worker.postMessage({ ...question, id: asked });
    },
    nothing: (): void => {
      asked++;
      clearTimeout(timer);
      tell({ kind: 'idle' });
    },
    cancel: (): void => failed('cancelled', ''),
    end,
  };
}

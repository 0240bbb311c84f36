import type { WorkerState } from './ask-worker.ts';

/** How a long sum stands: working with a way to stop it, or why there is no answer and a way on. */
export function WorkerSays({
  of: { state, cancel, again },
  what,
}: {
  readonly of: {
    readonly state: WorkerState<unknown>;
    readonly cancel: () => void;
    readonly again: () => void;
  };
  /** what is worked out, as it begins a sentence */
  readonly what: string;
}) {
  if (state.kind === 'working')
    return (
      <p role="status" className="flex items-center gap-3 text-quiet">
        {what} …
        <button type="button" className="button" onClick={cancel}>
          Stop
        </button>
      </p>
    );
  if (state.kind !== 'failed') return null;
  const WHY = {
    error: 'A fault of Rubrica, written to its log',
    time: 'It took too long and was ended',
    cancelled: 'Stopped',
  } as const;
  return (
    <p role="alert" className="flex items-center gap-3 text-rubric">
      ◆ {what}: {WHY[state.why]}.
      <button type="button" className="button" onClick={again}>
        Again
      </button>
    </p>
  );
}

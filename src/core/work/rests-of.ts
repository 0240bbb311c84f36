import type { Operation } from '../catalogue/operation.ts';
import { agreedOperation } from '../catalogue/operations.ts';
import { restsSince, waitsOf, type Wait } from './waits.ts';

/** A line as far as its rest goes. */
type RestingLine = Parameters<typeof agreedOperation>[0] & {
  readonly id: number;
  readonly title: string;
  readonly finishedAt: Date | null;
};

/**
 * The rests after the finished lines of a job, the last to end first; those over are there too. A rod's begins with its last turn.
 * @param lastTurn when the rod was last turned, ms since the epoch; null where no turn was logged
 */
export const restsOf = (
  lines: readonly RestingLine[],
  catalogue: readonly Operation[],
  lastTurn: number | null,
): Wait[] =>
  waitsOf(
    lines.map((l) => ({
      lineId: l.id,
      title: l.title,
      finishedAt: restsSince(l.finishedAt?.getTime() ?? null, l.operation === 'rod' ? lastTurn : null),
      wait: agreedOperation(l, catalogue).wait,
    })),
  );

import type { Operation } from '../catalogue/operation.ts';
import { agreedOperation, type KeptOperation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';

/** What asks for a new round of readings: what was done, and when, ms. */
export interface RoundMover {
  readonly title: string;
  readonly at: number;
}

interface Movers {
  readonly lines: readonly {
    readonly id: number;
    readonly title: string;
    readonly operation: OperationId;
    readonly finishedAt: Date | null;
    readonly record?: KeptOperation | null | undefined;
  }[];
  readonly turns: readonly { readonly lineId: number | null; readonly turnedAt: Date }[];
  readonly stringChanges: readonly {
    readonly kind: 'off' | 'on';
    readonly fresh: boolean | null;
    readonly changedAt: Date;
  }[];
  readonly catalogue: readonly Operation[];
}

/**
 * What moved readings on a job, so that what is read then belongs to another round: finished steps, strings that went on, a
 * rod from its first logged turn on. All turns of one step belong to one round.
 */
export function roundMovers({ lines, turns, stringChanges, catalogue }: Movers): RoundMover[] {
  const steps = lines.flatMap((line): RoundMover[] => {
    const { id, title, finishedAt } = line;
    const first = turns.find((t) => t.lineId === id)?.turnedAt ?? null;
    const at = first ?? finishedAt;
    return at === null || agreedOperation(line, catalogue).stale.length === 0
      ? []
      : [{ title, at: at.getTime() }];
  });
  const strings = stringChanges
    .filter((s) => s.kind === 'on')
    .map((s) => ({
      title: s.fresh ? 'New strings put on' : 'The strings put back on',
      at: s.changedAt.getTime(),
    }));
  return [...steps, ...strings];
}

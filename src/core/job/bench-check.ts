import { agreedOperation, type KeptOperation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { Construction } from '../instrument/construction.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { countingLines, endOf, type End, type EndingLine } from '../hand-over/ends.ts';
import type { Conditions } from '../readings/conditions.ts';

/** One thing to tick at the bench. */
export interface BenchCheck {
  readonly key: string;
  readonly title: string;
}

/** What the bench check of a job hangs on. */
export interface CheckedWork {
  readonly instrument: { readonly construction: Pick<Construction, 'kind' | 'electronics'> };
  readonly lines: readonly (EndingLine & {
    readonly operation: OperationId;
    readonly record?: KeptOperation | null | undefined;
  })[];
  readonly catalogue: readonly Operation[];
  readonly job: { readonly stringsState: Conditions['strings'] };
  readonly handOver: { readonly ending: End } | null;
}

/**
 * What is checked at the bench before the customer is called: only what this order makes true. Nobody is asked to say that an
 * instrument was played which was only looked at.
 * @param thingsBack whether anything goes back beside the instrument: what came with it, parts in bags
 */
export function benchChecks(g: CheckedWork, thingsBack: boolean): BenchCheck[] {
  const end = endOf(g.handOver?.ending ?? 'done', g.lines);
  const done = countingLines(end, g.lines);
  const changed = done.some((l) => {
    const op = agreedOperation(l, g.catalogue);
    return op.stale.length > 0 || op.strings === 'on';
  });
  const played = changed && g.job.stringsState !== 'off';
  const { kind, electronics } = g.instrument.construction;
  return [
    ...(played ? [{ key: 'played', title: 'Every fret of every string played, in playing position' }] : []),
    ...(played
      ? [
          {
            key: 'bends',
            title: KIND_RECORDS[kind].softStrung
              ? 'Open strings ring clear'
              : 'Bends ring out; open strings clear',
          },
        ]
      : []),
    ...(done.length > 0
      ? [
          {
            key: 'controls',
            title: `${electronics === 'none' ? 'Tuners' : 'Controls, tuners'} and screws: nothing loose`,
          },
          { key: 'clean', title: 'Marks and glue wiped, strings trimmed' },
        ]
      : [{ key: 'as-came', title: 'Put together again as it came: nothing left off, nothing left loose' }]),
    ...(thingsBack ? [{ key: 'case', title: 'Parts, keys and papers back in the case' }] : []),
  ];
}

/** Whether everything that is asked is ticked. */
export const allTicked = (asked: readonly BenchCheck[], checks: Readonly<Record<string, boolean>>): boolean =>
  asked.every((c) => checks[c.key] === true);

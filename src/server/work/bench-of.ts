import type { Transaction } from 'sequelize';
import { operation } from '../../core/plan/operations.ts';
import { hindrances, type Hindrance, type PlaceRead, type StartLine } from '../../core/work/may-start.ts';
import { inWorkOrder, type NeedsOf } from '../../core/work/order-of-lines.ts';
import { queueOf, type Next } from '../../core/work/queue.ts';
import type { Models } from '../db/models/index.ts';
import type { TimeEntry, WorkLine } from '../db/models/work.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { Judged } from '../../core/job/judge.ts';

/** A work order as a bench sees it: its lines in order, what hinders each, and what comes next. */
export interface BenchOrder {
  readonly needs: NeedsOf;
  readonly ordered: readonly WorkLine[];
  readonly places: readonly PlaceRead[];
  readonly hindrances: (line: WorkLine) => Hindrance[];
  readonly queue: readonly Next[];
}

/** The clocks of a job's lines. */
export const entriesOf = (
  models: Models,
  lines: readonly WorkLine[],
  t: Transaction | null = null,
): Promise<TimeEntry[]> =>
  lines.length === 0
    ? Promise.resolve([])
    : models.TimeEntry.findAll({
        where: { lineId: lines.map((l) => l.id) },
        order: [['id', 'ASC']],
        transaction: t,
      });

/** When the rod was last let go on this job, ms; null when nobody has touched it. */
function lastTurn(lines: readonly WorkLine[], entries: readonly TimeEntry[]): number | null {
  const rods = lines.filter((l) => l.operation === 'rod');
  const ends = [
    ...entries.filter((e) => rods.some((l) => l.id === e.lineId)).map((e) => e.endedAt),
    ...rods.map((l) => l.finishedAt),
  ].flatMap((d) => (d === null ? [] : [d.getTime()]));
  return ends.length === 0 ? null : Math.max(...ends);
}

const startLine = (l: WorkLine): StartLine => ({
  id: l.id,
  operation: l.operation,
  title: l.title,
  approval: l.approval,
  finished: l.step === 'finished',
  stops: l.stops,
});

/** Looks at a job's work order the way the bench does. */
export function benchOf(
  g: GatheredJob,
  judged: Pick<Judged, 'latest' | 'stale'>,
  entries: readonly TimeEntry[],
): BenchOrder {
  const op = (l: Pick<WorkLine, 'operation'>) => operation(l.operation, g.catalogue);
  const needs: NeedsOf = (id) => operation(id, g.catalogue).needs;
  const ordered = inWorkOrder(g.lines, needs);
  const places: PlaceRead[] = g.stations
    .filter((s) => !s.optional)
    .map((s) => ({
      key: s.key,
      label: s.label,
      quantity: s.quantity,
      takenAt: judged.latest.get(s.key)?.takenAt ?? null,
      stale: judged.stale.has(s.key),
    }));
  const all = ordered.map(startLine);
  const turned = lastTurn(g.lines, entries);
  return {
    needs,
    ordered,
    places,
    hindrances: (line) => hindrances(startLine(line), all, op(line), needs, places, turned),
    queue: queueOf(all, (l) => op(l), places),
  };
}

import { upkeepState, type UpkeepState } from '../../core/keep/upkeep-state.ts';
import type { Database } from '../db/connection.ts';
import type { UpkeepRun } from '../db/models/upkeep.ts';
import { loadCopyHabits } from './copy-habits.ts';
import { lastRuns, recentRuns } from './runs.ts';

/** How it stands with one kind of upkeep, and when it went well the last time (ISO). */
export interface UpkeepKind {
  readonly state: UpkeepState;
  readonly good: { readonly at: string; readonly place: string; readonly bytes: number | null } | null;
  /** why the last one failed */
  readonly trouble: string | null;
}

async function loadKind(
  db: Pick<Database, 'models'>,
  kind: UpkeepRun['kind'],
  now: number,
): Promise<UpkeepKind> {
  const { last, good } = await lastRuns(db, kind);
  const runs = [last, good].flatMap((r) => (r ? [{ endedAt: r.endedAt.getTime(), good: r.good }] : []));
  return {
    state: upkeepState(runs, now),
    good: good && { at: good.beganAt.toISOString(), place: good.place, bytes: good.bytes },
    trouble: last && !last.good ? last.words : null,
  };
}

/** How it stands with copies of the record: for the strip above an owner’s pages. */
export const copyState = async (db: Pick<Database, 'models'>, now: number): Promise<UpkeepState> =>
  (await loadKind(db, 'copy', now)).state;

/** All there is to say of how the record is kept. */
export async function loadUpkeep(db: Pick<Database, 'models'>, now: number) {
  const [habits, copies, seals, recent] = await Promise.all([
    loadCopyHabits(db),
    loadKind(db, 'copy', now),
    loadKind(db, 'seals', now),
    recentRuns(db),
  ]);
  return {
    habits,
    copies,
    seals,
    recent: recent.map((r) => ({
      id: r.id,
      kind: r.kind,
      at: r.beganAt.toISOString(),
      good: r.good,
      place: r.place,
      bytes: r.bytes,
      words: r.words,
    })),
  };
}

export type LoadedUpkeep = Awaited<ReturnType<typeof loadUpkeep>>;

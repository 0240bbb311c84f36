import type { Leaf } from '../../core/job/leaves.ts';
import type { Database } from '../db/connection.ts';
import { sharedLoad } from '../db/shared-load.ts';
import { arrivalParts, loadJobCore, planParts, sheetParts, type JobCore, type JobView } from './load-job.ts';

/** The parts of a job that only some leaves show. */
export type Part = 'plan' | 'inspection' | 'kinds' | 'visits' | 'double' | 'receipt' | 'sheet' | 'seal';

/** A job as a leaf is sent it: with the parts it shows, without the others. */
export type LeafJob<Shown extends Part = never> = Omit<JobView, Exclude<Part, Shown>>;

/** What a leaf shows beside what all leaves do: what is sent is what every change sends again. */
const PARTS = {
  arrival: async (db: Database, core: JobCore) => ({
    kinds: core.view.kinds,
    ...(await arrivalParts(db, core)),
  }),
  inspection: (_db: Database, core: JobCore) => Promise.resolve({ inspection: core.view.inspection }),
  readings: () => Promise.resolve({}),
  plan: planParts,
  work: async (db: Database, core: JobCore) => ({
    inspection: core.view.inspection,
    ...(await planParts(db, core)),
  }),
  'hand-over': sheetParts,
} as const satisfies Readonly<Record<Leaf, (db: Database, core: JobCore) => Promise<object>>>;

/** A job as a leaf has it loaded. */
export type LoadedLeaf<L extends Leaf> = LeafJob & Awaited<ReturnType<(typeof PARTS)[L]>>;

/** What all leaves show. */
function light({ view }: JobCore): LeafJob {
  const { kinds: _kinds, inspection: _inspection, ...rest } = view;
  return rest;
}

/** A job with what one of its leaves shows. Null when there is no such job. */
export async function loadLeaf<L extends Leaf>(
  db: Database,
  number: number,
  leaf: L,
): Promise<LoadedLeaf<L> | null> {
  const core = await sharedLoad(`job ${number}`, () => loadJobCore(db, number));
  if (!core) return null;
  const parts = (await PARTS[leaf](db, core)) as Awaited<ReturnType<(typeof PARTS)[L]>>;
  return { ...light(core), ...parts };
}

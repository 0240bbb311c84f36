import type { CustomerSheet } from '../../core/hand-over/customer-sheet.ts';
import type { Leaf } from '../../core/job/leaves.ts';
import type { Judged } from '../../core/job/judge.ts';
import { COMMON_PARTS, LEAF_PARTS, type Around } from '../../core/job/views/leaves.ts';
import type { Database } from '../db/connection.ts';
import { checkSeal } from '../hand-over/sealed-record.ts';
import { shownSheet } from '../hand-over/shown-sheet.ts';
import type { SeenJob } from '../jobs/read-job.ts';
import { looksDouble } from '../shelf/look-alike.ts';

/** Every part that any leaf shows. */
export const EVERY_PART = [
  ...COMMON_PARTS,
  ...LEAF_PARTS.plan,
  ...LEAF_PARTS.arrival,
  ...LEAF_PARTS['hand-over'],
] as const;

type Common = SeenJob<(typeof COMMON_PARTS)[number]>;

const double = (db: Database, g: Common): Promise<string | null> =>
  g.job.state === 'open' ? looksDouble(db, g.customer, g.instrument) : Promise.resolve(null);

const UNSEALED = { kind: 'open' } as const;

/** What a leaf shows that is neither in the job nor in the shop; asked for only where it is shown. */
export async function around(
  db: Database,
  leaf: Leaf | 'whole',
  g: Common,
  judged: Judged,
  now: Date,
): Promise<Omit<Around, 'places'>> {
  const [arrives, leaves] = [
    leaf === 'arrival' || leaf === 'whole',
    leaf === 'hand-over' || leaf === 'whole',
  ];
  const [twice, seal] = await Promise.all([
    arrives ? double(db, g) : null,
    leaves ? checkSeal(db.models, g) : UNSEALED,
  ]);
  const sheet = leaves ? shownSheet(g, judged, now) : { content: {} as CustomerSheet, digest: '' };
  return { double: twice, seal, sheet };
}

import type { UpkeepRun } from '../db/models/upkeep.ts';
import type { Database } from '../db/connection.ts';

/** Something that was done, or tried, to keep the record. */
export interface Run {
  readonly kind: UpkeepRun['kind'];
  readonly beganAt: Date;
  readonly good: boolean;
  readonly place?: string;
  readonly bytes?: number | null;
  readonly words?: string;
}

const LONGEST_PLACE = 500;
const LONGEST_WORDS = 1000;

/** Writes down how it went. */
export async function noteRun({ models }: Pick<Database, 'models'>, run: Run): Promise<void> {
  const { place = '', bytes = null, words = '', ...rest } = run;
  await models.UpkeepRun.create({
    ...rest,
    bytes,
    place: place.slice(-LONGEST_PLACE),
    words: words.slice(0, LONGEST_WORDS),
    endedAt: new Date(),
  });
}

/** The last run of a kind, and the last good one. */
export async function lastRuns({ models }: Pick<Database, 'models'>, kind: UpkeepRun['kind']) {
  const order: [string, string][] = [['endedAt', 'DESC']];
  const [last, good] = await Promise.all([
    models.UpkeepRun.findOne({ where: { kind }, order }),
    models.UpkeepRun.findOne({ where: { kind, good: true }, order }),
  ]);
  return { last, good };
}

const SHOWN = 20;

/** How the record was looked after, newest first. */
export const recentRuns = ({ models }: Pick<Database, 'models'>): Promise<UpkeepRun[]> =>
  models.UpkeepRun.findAll({ order: [['endedAt', 'DESC']], limit: SHOWN });

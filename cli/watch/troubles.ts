import type { NodeState } from '../../src/server/db/cluster.ts';
import type { UpkeepKind } from '../../src/server/upkeep/load-upkeep.ts';
import { megabytes } from '../base/say.ts';

const DAY_MS = 86_400_000;
const LEAST_FREE = 2e9;
const LEAST_PART = 0.05;
const CERTIFICATE_DAYS = 60;
/** Clocks of a machine and its database may differ by so much. */
const CLOCK_MS = 120_000;

/** What to do about a disk, or null while there is room. Bytes. */
export const diskTrouble = (free: number, all: number): string | null =>
  free >= LEAST_FREE || free >= all * LEAST_PART
    ? null
    : `nearly full (${megabytes(free)} left): delete what is not needed, let older copies go, or move the house to a larger disk`;

/** What to do about the machine's own authority, or null while it is good for a while; when it ends, and now, ms. */
export function certificateTrouble(ends: number, now: number): string | null {
  const days = Math.floor((ends - now) / DAY_MS);
  return days > CERTIFICATE_DAYS
    ? null
    : `the certificate the tablets trust ends in ${days} days: delete the folder proxy in the house, start again with --lan, and let each tablet trust the new one`;
}

/** What to do about the clock, or null where nothing speaks against it. */
export const clockTrouble = (newestChange: number | null, now: number): string | null =>
  newestChange === null || newestChange <= now + CLOCK_MS
    ? null
    : `the machine's clock is behind: the last change in the record was made at ${new Date(newestChange).toISOString()}. Set the clock, and let it be set from the network`;

/** What to do about copies, or null. */
export function copyTrouble({ state, trouble }: UpkeepKind): string | null {
  if (state === 'failed') return `the last copy could not be made: ${trouble ?? ''}. Then: ./rubrica backup`;
  if (state === 'old')
    return 'the last good copy is older than a day and a half: leave Rubrica running over night, or ./rubrica backup';
  return state === 'never' ? 'there is no copy of the record: ./rubrica backup' : null;
}

/** What to do about seals, or null. */
export const sealTrouble = ({ state, trouble }: UpkeepKind): string | null =>
  state === 'failed'
    ? `a sealed record is not as it was signed (${trouble ?? ''}): somebody wrote to the database past Rubrica. ./rubrica verify, then look at a copy of before (restore --beside)`
    : null;

/** What to do about gauges, or null. */
export const gaugeTrouble = (due: readonly string[]): string | null =>
  due.length === 0
    ? null
    : `to be checked against a reference, then said in House → Gauges: ${due.join(', ')}`;

/** What to do about the nodes of a cluster, or null while every one serves. */
export function nodesTrouble(nodes: readonly NodeState[]): string | null {
  const silent = nodes.filter((n) => n.state === null).map((n) => n.address);
  const alone = nodes.filter((n) => n.state?.serves === false).map((n) => n.address);
  const unknown = nodes.filter(
    (n) => n.state?.serves && n.state.knows < nodes.length - silent.length - alone.length,
  );
  const words = [
    silent.length > 0 &&
      `does not answer: ${silent.join(', ')}. Start its database again; it fetches what it missed from the others`,
    alone.length > 0 &&
      `lost the others and serves nothing: ${alone.join(', ')}. Look at the network between the machines`,
    unknown.length > 0 &&
      `knows fewer nodes than there are: ${unknown.map((n) => n.address).join(', ')}. They are not one cluster: look at wsrep_cluster_address of each`,
    nodes.length - silent.length - alone.length === 0 &&
      'no node serves: the shop stands still until more than half of them are there',
  ];
  return words.filter((w) => w !== false).join('. ') || null;
}

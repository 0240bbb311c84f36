import { RELIEF_FRET, stationKey } from '../readings/stations.ts';
import type { Limits } from './plan-rules.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);
const STANDOUT = stationKey('saddle-standout', 0, 0);
const BREAK = stationKey('break-angle', 0, 0);
const ANGLE = [stationKey('neck-angle', 0, 0), STANDOUT];

/** The places whose readings answer what a finding asks for, by item and finding. */
const ANSWERED_BY: Readonly<Record<string, readonly string[]>> = {
  'sight:dip': [RELIEF],
  'sight:back': [RELIEF],
  'saddle-left:little': [STANDOUT],
  'break:shallow': [BREAK],
  'bridge-thick:thin': [stationKey('bridge-thickness', 0, 0), stationKey('slot-depth', 0, 0)],
  'neck-angle:low': ANGLE,
  'neck-angle:high': ANGLE,
};

/** What readings tell where a finding asks for them: why nothing more is done about it, and whether that is anything to the customer. */
export interface ToldByReadings {
  readonly why: string;
  readonly toCustomer: boolean;
}

const BY_NUMBER = 'It was read: the plan goes by the number.';

/**
 * What readings say of a finding that asks for them; null where they do not stand yet, or it asks for none.
 * @param finding item and finding: `break:shallow`
 * @param read what may be used of a place: mm or degrees; null where nothing stands
 */
export function toldByReadings(
  finding: string,
  read: (key: string) => number | null,
  { breakAngle }: Pick<Limits, 'breakAngle'>,
): ToldByReadings | null {
  const values = (ANSWERED_BY[finding] ?? []).flatMap((key) => read(key) ?? []);
  const [first] = values;
  if (first === undefined || values.length < (ANSWERED_BY[finding]?.length ?? 0)) return null;
  if (finding !== 'break:shallow') return { why: BY_NUMBER, toCustomer: false };
  const angle = `Read as ${first.toFixed(1)}°`;
  return first < breakAngle
    ? {
        why: `${angle}, under the ${breakAngle}° it wants: the neck’s angle gives more, not the saddle.`,
        toCustomer: true,
      }
    : { why: `${angle}: that is enough, it wants ${breakAngle}°.`, toCustomer: false };
}

import { database } from '../db/connection.ts';
import { houseLog } from '../keep/log.ts';
import { loopOf } from '../keep/loop.ts';
import { keepPeriods } from './keep-periods.ts';

/** Several times a day: so that a machine that is switched off at night does it by day. */
const EVERY_MS = 4 * 3_600_000;

async function letGo(): Promise<void> {
  const gone = await keepPeriods(database(), new Date());
  if (Object.values(gone).every((n) => n === 0)) return;
  const said = `${gone.customers} customers, ${gone.photos} photos, ${gone.sounds} sounds, ${gone.messages} messages, ${gone.invoices} invoices`;
  houseLog().info(`over their period, let go: ${said}`);
}

/** Lets go of what is over its period, by itself, as long as the process lives. */
export const startPeriods = loopOf({
  first: 60_000,
  every: EVERY_MS,
  afterFault: EVERY_MS,
  fault: 'periods rest: the house could not be asked',
  once: letGo,
});

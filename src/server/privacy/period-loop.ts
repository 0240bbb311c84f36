import { database } from '../db/connection.ts';
import { houseLog } from '../keep/log.ts';
import { keepPeriods } from './keep-periods.ts';

/** Several times a day: so that a machine that is switched off at night does it by day. */
const EVERY_MS = 4 * 3_600_000;
const FIRST_MS = 60_000;

let running = false;

/** Lets go of what is over its period, by itself, as long as the process lives. */
export function startPeriods(): void {
  if (running) return;
  running = true;
  const next = (ms: number): void => {
    setTimeout(() => void once(), ms).unref();
  };
  const once = async (): Promise<void> => {
    try {
      const gone = await keepPeriods(database(), new Date());
      if (gone.customers + gone.photos + gone.messages + gone.invoices > 0) {
        const said = `${gone.customers} customers, ${gone.photos} photos, ${gone.messages} messages, ${gone.invoices} invoices`;
        houseLog().info(`over their period, let go: ${said}`);
      }
    } catch (error) {
      houseLog().warn('periods rest: the house could not be asked', { error });
    }
    next(EVERY_MS);
  };
  next(FIRST_MS);
}

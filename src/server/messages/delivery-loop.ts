import { database } from '../db/connection.ts';
import { houseLog } from '../keep/log.ts';
import { deliverDue } from './deliver.ts';

const EVERY_MS = 1_000;
/** After a fault of the house itself, such as a database that is away. */
const AFTER_FAULT_MS = 10_000;

let running = false;

/** Sends what is due, by itself, as long as the process lives: apart from the live feed, so that a slow service slows nobody. */
export function startDelivery(): void {
  if (running) return;
  running = true;
  const next = (ms: number): void => {
    setTimeout(() => void once(), ms).unref();
  };
  const once = async (): Promise<void> => {
    try {
      await deliverDue(database(), new Date());
      next(EVERY_MS);
    } catch (error) {
      houseLog().warn('messages rest: the house could not be asked', { error });
      next(AFTER_FAULT_MS);
    }
  };
  next(EVERY_MS);
}

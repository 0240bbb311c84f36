import { database } from '../db/connection.ts';
import { loopOf } from '../keep/loop.ts';
import { deliverDue } from './deliver.ts';

/** Sends what is due, by itself, as long as the process lives: apart from the live feed, so that a slow service slows nobody. */
export const startDelivery = loopOf({
  first: 1_000,
  every: 1_000,
  afterFault: 10_000,
  fault: 'messages rest: the house could not be asked',
  once: () => deliverDue(database(), new Date()),
});

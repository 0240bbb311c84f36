import type { Database } from '../db/connection.ts';
import type { Actor } from '../use-case/use-case.ts';
import { writeEntry } from '../use-case/record-event.ts';

/** Writes down that somebody took out what is kept of a customer, or the log. */
export const noteFileGiven = (
  { sequelize, models }: Database,
  { personId, deviceId }: Actor,
  customerId: number | null,
  now: Date,
): Promise<void> =>
  sequelize.transaction((t) =>
    writeEntry(models, t, {
      at: now,
      personId,
      deviceId,
      jobId: null,
      kind: customerId === null ? 'log taken out' : 'customer’s file taken out',
      entity: customerId === null ? 'log' : 'customer',
      entityId: customerId ?? 0,
      fromVersion: null,
      data: {},
    }),
  );

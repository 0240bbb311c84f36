import type { Transaction } from 'sequelize';
import type { Models } from '../db/models/index.ts';

/** What happens at the door: who came, who went, who could not, which tablet was paired. */
export const DOOR_KINDS = [
  'signed in',
  'signed out',
  'wrong PIN',
  'tablet paired',
  'pairing code made',
  'device sent away',
  'secret changed',
  'PIN set',
  'own PIN changed',
  'signed out everywhere',
  'log taken out',
  'customer’s file taken out',
  'customers taken out',
  'instruments taken out',
  'jobs taken out',
  'job taken out',
  'job brought in',
] as const;
export type DoorKind = (typeof DOOR_KINDS)[number];

/** Writes to the log what happened at the door. */
export const doorEvent = (
  models: Models,
  kind: DoorKind,
  who: {
    readonly personId: number | null;
    readonly deviceId: number;
    readonly at: Date;
    readonly name?: string;
  },
  t: Transaction | null = null,
): Promise<unknown> =>
  models.EventRow.create(
    {
      at: who.at,
      personId: who.personId,
      deviceId: who.deviceId,
      jobId: null,
      kind,
      entity: who.personId === null ? 'device' : 'person',
      entityId: String(who.personId ?? who.deviceId),
      fromVersion: null,
      data: who.name === undefined ? {} : { name: who.name },
    },
    { transaction: t },
  );

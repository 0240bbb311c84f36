import type { EventKind } from '../../contracts/commands/commands.ts';
import type { Work } from './use-case.ts';

export interface EventFacts {
  readonly jobId: number | null;
  readonly kind: EventKind;
  readonly entity: string;
  readonly entityId: number | string;
  readonly fromVersion: number | null;
  /** what changed, before and after */
  readonly data: unknown;
}

/** Writes the one event row of a change, in the change's own transaction. */
export async function recordEvent({ models, actor, now, t, commandId }: Work, e: EventFacts): Promise<void> {
  await models.EventRow.create(
    {
      at: now,
      personId: actor.personId,
      deviceId: actor.deviceId,
      jobId: e.jobId,
      kind: e.kind,
      entity: e.entity,
      entityId: String(e.entityId),
      fromVersion: e.fromVersion,
      data: e.data,
      commandId,
    },
    { transaction: t },
  );
}

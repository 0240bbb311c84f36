import type { OperationId } from './operation-ids.ts';
import type { OperationRecord } from './operation-record.ts';

/** A kind of work the shop does: what it takes, what it moves, what to beware of. Minutes hands-on; wait in minutes. */
export interface Operation extends OperationRecord {
  readonly id: OperationId;
  readonly needs: readonly OperationId[];
  readonly replaces: readonly OperationId[];
  readonly includes: readonly OperationId[];
}

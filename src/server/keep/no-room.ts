import { BaseError } from 'sequelize';

/** How the database and the machine say that there is no room left. */
const FULL: ReadonlySet<string> = new Set([
  'ER_RECORD_FILE_FULL',
  'ER_DISK_FULL',
  'ER_DISK_FULL_NOWAIT',
  'ENOSPC',
  'EDQUOT',
]);

/** Whether something failed because the disk of the machine is full: nothing of it was kept, and it may be done again when there is room. */
export function isFull(e: unknown): boolean {
  if (typeof e !== 'object' || e === null) return false;
  const { code, parent } = e as { readonly code?: unknown; readonly parent?: unknown };
  if (typeof code === 'string' && FULL.has(code)) return true;
  return e instanceof BaseError && isFull(parent);
}

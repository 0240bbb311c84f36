import { DatabaseError } from 'sequelize';

/** Whether the database gave a transaction up because of another one: given again it may go well. */
export const isDeadlock = (e: unknown): boolean => {
  const code = e instanceof DatabaseError ? (e.parent as { code?: string }).code : undefined;
  return code === 'ER_LOCK_DEADLOCK' || code === 'ER_LOCK_WAIT_TIMEOUT' || code === 'ER_CHECKREAD';
};

import type { Sequelize, Transaction } from 'sequelize';
import { give } from '../db/give.ts';

/** A command that was carried out: by whom, and what was answered. */
export interface KeptCommand {
  readonly id: string;
  readonly name: string;
  readonly personId: number;
  readonly answer: unknown;
}

/** The command that was carried out under an id, or null. */
export async function commandDone(
  sequelize: Sequelize,
  id: string,
  transaction: Transaction | null = null,
): Promise<KeptCommand | null> {
  const [found] = await give<readonly (Omit<KeptCommand, 'answer'> & { readonly answer: string })[]>(
    sequelize,
    'SELECT id, name, person_id AS personId, CAST(answer AS CHAR) AS answer FROM commands WHERE id = :id',
    { id },
    transaction,
  );
  return found ? { ...found, answer: JSON.parse(found.answer) as unknown } : null;
}

/**
 * Keeps a command with its answer: who gives it again is answered the same.
 * @throws UniqueConstraintError when one of this id was carried out meanwhile
 */
export async function keepCommand(
  sequelize: Sequelize,
  { id, name, personId, answer }: KeptCommand,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  await give(
    sequelize,
    'INSERT INTO commands (id, name, person_id, answer, at) VALUES (:id, :name, :personId, :answer, :at)',
    { id, name, personId, answer: JSON.stringify(answer ?? null), at },
    transaction,
  );
}

import type { Transaction } from 'sequelize';
import type { CommandAnswer, CommandInput, CommandName } from '../../contracts/commands/commands.ts';
import type { Failure } from '../../contracts/failure.ts';
import type { Role } from '../../core/people/roles.ts';
import type { Result } from '../../core/result.ts';
import type { Models } from '../db/models/index.ts';

/** Who asks: a person with an open session on a paired device. */
export interface Actor {
  readonly personId: number;
  readonly deviceId: number;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
}

/** What a use case works with: one transaction, its models, the clock's answer, and who asks. */
export interface Work {
  readonly actor: Actor;
  readonly models: Models;
  readonly t: Transaction;
  readonly now: Date;
  /** when it arrived, where it waited on a tablet before: `now` is when it was done */
  readonly arrived?: Date;
  /** the command being carried out: its events carry it */
  readonly commandId: string;
}

/** One thing the shop does. Parsed and permitted, as its command is declared, before `run`; everything in `run` is one transaction. */
export interface UseCase<N extends CommandName> {
  readonly name: N;
  readonly run: (work: Work, input: CommandInput<N>) => Promise<Result<CommandAnswer<N>, Failure>>;
  /** where an answer says something that must not be kept: what is kept of it, and how it is whole again */
  readonly secret?: {
    readonly kept: (answer: CommandAnswer<N>) => unknown;
    /** @param place which of the house's secrets it was made under */
    readonly whole: (kept: unknown, commandId: string, place: number) => CommandAnswer<N>;
  };
}

/** Types a use case by its command's name. */
export const defineUseCase = <N extends CommandName>(definition: UseCase<N>): UseCase<N> => definition;

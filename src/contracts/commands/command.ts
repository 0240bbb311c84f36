import type { z } from 'zod';
import type { Permission } from '../../core/people/roles.ts';

/** Whose screens a change of one job concerns: its own leaves and tag only, or any (bells, rests, other jobs). */
export type Concerns = 'own leaves' | 'any screen';

/** Everything that is said of a command, once: what it takes and answers, who may, and what follows from it. */
export interface Command<Name extends string, Input extends z.ZodType, Answer, Event extends string> {
  readonly name: Name;
  /** what a person must be allowed */
  readonly may: Permission;
  readonly input: Input;
  /** what it answers when it is done; never kept at run time */
  readonly answer: (answer: Answer) => Answer;
  /** the kinds of the events it may record: the words the history says */
  readonly events: readonly Event[];
  readonly concerns: Concerns;
  /** whether it may be done without a connection, and is kept until there is one */
  readonly offline: boolean;
}

interface Declared<Name extends string, Input extends z.ZodType, Answer, Event extends string> {
  readonly name: Name;
  readonly may: Permission;
  readonly input: Input;
  readonly answer: (answer: Answer) => Answer;
  readonly events: readonly Event[];
  readonly concerns?: Concerns;
  readonly offline?: boolean;
}

/** Says of what type an answer is. */
export const answering =
  <Answer>() =>
  (answer: Answer): Answer =>
    answer;

/** Declares a command. What is not said: it concerns any screen, and wants a connection. */
export const command = <
  const Name extends string,
  Input extends z.ZodType,
  Answer,
  const Event extends string,
>(
  declared: Declared<Name, Input, Answer, Event>,
): Command<Name, Input, Answer, Event> => ({ concerns: 'any screen', offline: false, ...declared });

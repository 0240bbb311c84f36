import type { z } from 'zod';
import { fail, ok, type Result } from '../result.ts';

/** Why a sum was refused: at which field (dotted, empty for the whole input) and in words. */
export interface SumError {
  readonly code: 'unknown-sum' | 'invalid' | 'outside' | 'cannot-tell';
  readonly field: string;
  readonly message: string;
}

/** Says lengths in the unit the reader works in; pitch errors and angles have one way. */
export interface Say {
  readonly length: (mm: number) => string;
  readonly cents: (cents: number) => string;
}

/** A calculation of the bench, declared once; every face of it is made from this. */
export interface Sum<I = never, O = unknown> {
  readonly id: string;
  readonly title: string;
  /** what one wants to do when one needs it, in the bench's words */
  readonly asks: readonly string[];
  readonly input: z.ZodType<I>;
  readonly output: z.ZodType<O>;
  readonly formula: string;
  readonly source: string;
  /** what is taken for granted; outside it the sum does not hold */
  readonly assumptions: readonly string[];
  /** why it holds, in words */
  readonly why: string;
  readonly example: I;
  readonly run: (input: I) => Result<O, SumError>;
  /** the result in words, the answer first */
  readonly words: (input: I, output: O, say: Say) => readonly string[];
}

/** Declares a sum, with its types taken from its schemas. */
export const declare = <I extends z.ZodType, O extends z.ZodType>(
  sum: Omit<Sum<z.output<I>, z.output<O>>, 'input' | 'output'> & { readonly input: I; readonly output: O },
): Sum<z.output<I>, z.output<O>> => sum as unknown as Sum<z.output<I>, z.output<O>>;

/** Wraps a result. */
export const answer = <T>(value: T): Result<T, SumError> => ok(value);

/** Refuses an input at a field. */
export const refuse = (
  field: string,
  message: string,
  code: SumError['code'] = 'outside',
): Result<never, SumError> => fail({ code, field, message });

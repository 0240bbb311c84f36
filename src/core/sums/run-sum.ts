import type { z } from 'zod';
import { fail, type Result } from '../result.ts';
import { SUMS } from './catalogue.ts';
import type { Sum, SumError } from './sum.ts';

/** A declared sum with its types forgotten, for faces that treat all alike. */
export type AnySum = Sum<unknown, unknown>;

/** Finds a sum by its id. */
export const sumById = (id: string): AnySum | undefined => SUMS.find((s) => s.id === id);

/** The first thing wrong with an input, at its dotted field. */
function firstIssue(issues: readonly z.core.$ZodIssue[]): SumError {
  const issue = issues[0];
  const path = (issue?.path ?? []).map(String);
  const field = issue?.code === 'unrecognized_keys' ? [...path, issue.keys[0] ?? ''] : path;
  const name = field.join('.');
  const message = issue?.message ?? 'cannot be read';
  return {
    code: 'invalid',
    field: name,
    message: name === '' ? `The input ${message}.` : `${name} ${message}.`,
  };
}

function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.values(value).every(allFinite);
}

/** Runs a declared sum on input that is not yet trusted. */
export function runDeclared(sum: AnySum, input: unknown): Result<unknown, SumError> {
  const read = sum.input.safeParse(input);
  if (!read.success) return fail(firstIssue(read.error.issues));
  const done = sum.run(read.data);
  if (!done.ok || allFinite(done.value)) return done;
  return fail({ code: 'outside', field: '', message: 'These values lie outside what this sum can say.' });
}

/**
 * Runs a sum by its id.
 * @returns its output, or a refusal that names the field; never a number that is not finite
 * @example runSum('break-angle', { rise: 3, run: 12 }) → { degrees: 14.04 }
 */
export function runSum(id: string, input: unknown): Result<unknown, SumError> {
  const sum = sumById(id);
  if (sum) return runDeclared(sum, input);
  return fail({ code: 'unknown-sum', field: 'id', message: `There is no sum called ${id}.` });
}

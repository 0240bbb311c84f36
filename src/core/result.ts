/** An expected outcome: a value, or a failure that carries its code and the data to explain it. */
export type Result<T, E> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly error: E };

/** Wraps a value as a success. */
export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** Wraps a failure. */
export const fail = <E>(error: E): { readonly ok: false; readonly error: E } => ({ ok: false, error });

/** Anything that can stand in a record. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/**
 * Writes a value as JSON in exactly one way (keys sorted, no spaces), so that the same content always gives the same
 * digest.
 * @throws RangeError on a number that is not finite
 * @example canonicalJson({ b: 1, a: [true] }) → '{"a":[true],"b":1}'
 */
export function canonicalJson(value: Json): string {
  if (typeof value === 'number' && !Number.isFinite(value))
    throw new RangeError('a record holds only finite numbers');
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map((v: Json) => canonicalJson(v)).join(',')}]`;
  const entries = Object.entries(value as { readonly [key: string]: Json });
  return `{${entries
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([k, v]) => `${JSON.stringify(k)}:${canonicalJson(v)}`)
    .join(',')}}`;
}

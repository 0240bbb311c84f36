import type { LengthUnit } from './length-units.ts';

/** A number by itself, without a unit: `5`, `−.002`, `- 1,5`. */
export const BARE = /^\s*[+\-\u2212\u2013]?\s*(?:\d+(?:[.,]\d*)?|[.,]\d+)\s*$/;

/**
 * The unit of a bare number in a field: thousandths are written `8` or `.008`, so in a field that counts units a leading
 * point means inches.
 */
export const bareUnit = (text: string, unit: LengthUnit): LengthUnit =>
  unit !== 'mm' && unit !== 'in' && /^\s*[+\-\u2212\u2013]?\s*0?[.,]\d{2,4}\s*$/.test(text) ? 'in' : unit;

import type { LengthUnit } from './length-units.ts';

/**
 * The unit of a bare number in a field: thousandths are written `8` or `.008`, so in a field that counts units a leading
 * point means inches.
 */
export const bareUnit = (text: string, unit: LengthUnit): LengthUnit =>
  unit !== 'mm' && unit !== 'in' && /^\s*[+-]?0?[.,]\d{2,4}\s*$/.test(text) ? 'in' : unit;

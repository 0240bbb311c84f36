/** The units a bench gauge reads in. */
export const LENGTH_UNITS = ['mm', 'in', 'thou', '64ths', '32nds'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** The units a person may read heights in: small sizes are in thousandths unless it is millimetres. */
export const DISPLAY_UNITS = ['64ths', 'thou', 'mm'] as const satisfies readonly LengthUnit[];
export type DisplayUnit = (typeof DISPLAY_UNITS)[number];

/** Millimetres in one of each unit: the only conversion table of the house (1 in = 25.4 mm exactly). */
export const MM_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1,
  in: 25.4,
  thou: 0.0254,
  '64ths': 25.4 / 64,
  '32nds': 25.4 / 32,
};

/** Converts a number of `unit` to millimetres. `toMm(5, '64ths')` is 1.984375. */
export const toMm = (n: number, unit: LengthUnit): number => n * MM_PER[unit];
/** Converts millimetres to a number of `unit`. `fromMm(0.254, 'thou')` is 10. */
export const fromMm = (length: number, unit: LengthUnit): number => length / MM_PER[unit];

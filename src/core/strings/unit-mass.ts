/** How a string is made. `wound` is a round wrap over a steel core. */
export type StringKind = 'plain' | 'wound' | 'nylon' | 'fluorocarbon';

/** Densities in kg/m³. */
export const STEEL = 7850;
export const NYLON = 1140;
export const FLUOROCARBON = 1780;
export const WRAP_DENSITIES = { bronze: 8800, nickel: 8900, 'plated or stainless steel': 7900 } as const;

/** A round wrap fills this share of the ring it stands in. */
const WRAP_FILL = Math.PI / 4;

/** What a string is made of: outer diameter in mm, core in mm and wrap in kg/m³ for a wound one. */
export interface StringMake {
  readonly kind: StringKind;
  readonly gauge: number;
  readonly core?: number | undefined;
  readonly wrapDensity?: number | undefined;
}

/** Share of the outer diameter that the core takes, by outer diameter in mm: thin wound strings are mostly core. */
const USUAL_CORES: ReadonlyArray<readonly [gauge: number, core: number]> = [
  [0.43, 0.23],
  [0.56, 0.3],
  [0.61, 0.33],
  [0.66, 0.34],
  [0.76, 0.36],
  [0.81, 0.36],
  [0.91, 0.38],
  [1.07, 0.4],
  [1.17, 0.41],
  [1.35, 0.44],
  [1.65, 0.6],
  [2.16, 0.85],
  [2.67, 1.1],
  [3.3, 1.3],
];

/**
 * The usual core of a round-wound string by its outer diameter, read straight between the rows of the shop's table and
 * in proportion outside it.
 * @param gauge outer diameter, mm
 * @returns core diameter, mm
 * @example usualCore(1.35) → 0.44
 */
export function usualCore(gauge: number): number {
  const above = USUAL_CORES.findIndex(([g]) => g >= gauge);
  const [g2, c2] = USUAL_CORES.at(above) ?? [1, 0.4];
  if (above <= 0) return (c2 / g2) * gauge;
  const [g1, c1] = USUAL_CORES[above - 1] ?? [g2, c2];
  return c1 + ((c2 - c1) * (gauge - g1)) / (g2 - g1);
}

/** The diameter that carries the pull: the core of a wound string, all of any other. mm */
export const bearingDiameter = (s: StringMake): number =>
  s.kind === 'wound' ? (s.core ?? usualCore(s.gauge)) : s.gauge;

const SOLID: Readonly<Record<Exclude<StringKind, 'wound'>, number>> = {
  plain: STEEL,
  nylon: NYLON,
  fluorocarbon: FLUOROCARBON,
};

const area = (d: number): number => (Math.PI / 4) * (d / 1000) ** 2;

/**
 * Mass of a metre of string: μ = ρπd²/4; wound: the steel core, and a wrap that fills π/4 of its ring.
 * @returns kg/m
 * @example unitMass({ kind: 'plain', gauge: 0.254 }) → 0.000398
 */
export function unitMass(s: StringMake): number {
  if (s.kind !== 'wound') return SOLID[s.kind] * area(s.gauge);
  const core = area(bearingDiameter(s));
  return STEEL * core + (s.wrapDensity ?? WRAP_DENSITIES.bronze) * WRAP_FILL * (area(s.gauge) - core);
}

/**
 * The pull of a string at pitch: T = μ(2Lf)².
 * @param mass kg/m
 * @param length sounding length, mm
 * @param frequency Hz
 * @returns N
 * @example stringTension(0.000398, 648, 329.63) → 72.6
 */
export const stringTension = (mass: number, length: number, frequency: number): number =>
  mass * (2 * (length / 1000) * frequency) ** 2;

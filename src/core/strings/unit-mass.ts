import type { Hz, Mm, Newton } from '../units/unit-types.ts';

/** How a string is made. `wound` is a round wrap over a steel core, `floss` one over many threads of nylon. */
export type StringKind = 'plain' | 'wound' | 'floss' | 'nylon' | 'fluorocarbon';

/** Densities in kg/m³. */
export const STEEL = 7850;
export const NYLON = 1140;
export const FLUOROCARBON = 1780;
export const WRAP_DENSITIES = {
  bronze: 8800,
  nickel: 8900,
  'plated or stainless steel': 7900,
  'silver-plated copper': 8950,
} as const;
/** Share of a floss string's diameter that its threads take. */
const FLOSS_CORE = 0.6;

/** A round wrap fills this share of the ring it stands in. */
const WRAP_FILL = Math.PI / 4;

/** What a string is made of: outer diameter in mm, core in mm and wrap in kg/m³ for a wound one. */
export interface StringMake {
  readonly kind: StringKind;
  readonly gauge: Mm;
  readonly core?: Mm | undefined;
  readonly wrapDensity?: number | undefined;
}

/**
 * The core of a wound string by its outer diameter, mm: thin ones are mostly core, the thick ones of a bass are wound several
 * times over a core not much thicker than a guitar's.
 */
const USUAL_CORES: ReadonlyArray<readonly [gauge: Mm, core: number]> = [
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
  [1.65, 0.46],
  [2.16, 0.5],
  [2.67, 0.56],
  [3.3, 0.64],
];

/**
 * The usual core of a round-wound string by its outer diameter, read straight between the rows of the shop's table and
 * in proportion outside it.
 * @param gauge outer diameter, mm
 * @returns core diameter, mm
 * @example usualCore(1.35) → 0.44
 */
export function usualCore(gauge: Mm): Mm {
  const above = USUAL_CORES.findIndex(([g]) => g >= gauge);
  const [g2, c2] = USUAL_CORES.at(above) ?? [1, 0.4];
  if (above <= 0) return (c2 / g2) * gauge;
  const [g1, c1] = USUAL_CORES[above - 1] ?? [g2, c2];
  return c1 + ((c2 - c1) * (gauge - g1)) / (g2 - g1);
}

/** Whether a string has a wrap round a core. */
export const isWound = (kind: StringKind): kind is 'wound' | 'floss' => kind === 'wound' || kind === 'floss';

/** The diameter that carries the pull: the core of a wound string, all of any other. mm */
export function bearingDiameter(s: StringMake): Mm {
  if (!isWound(s.kind)) return s.gauge;
  return s.core ?? (s.kind === 'floss' ? FLOSS_CORE * s.gauge : usualCore(s.gauge));
}

const SOLID: Readonly<Record<Exclude<StringKind, 'wound' | 'floss'>, number>> = {
  plain: STEEL,
  nylon: NYLON,
  fluorocarbon: FLUOROCARBON,
};

const area = (d: number): number => (Math.PI / 4) * (d / 1000) ** 2;

/**
 * Mass of a metre of string: μ = ρπd²/4; wound: the core, and a wrap that fills π/4 of its ring.
 * @returns kg/m
 * @example unitMass({ kind: 'plain', gauge: 0.254 }) → 0.000398
 */
export function unitMass(s: StringMake): number {
  if (!isWound(s.kind)) return SOLID[s.kind] * area(s.gauge);
  const core = area(bearingDiameter(s));
  const usual = s.kind === 'floss' ? WRAP_DENSITIES['silver-plated copper'] : WRAP_DENSITIES.bronze;
  const threads = s.kind === 'floss' ? NYLON : STEEL;
  return threads * core + (s.wrapDensity ?? usual) * WRAP_FILL * (area(s.gauge) - core);
}

/**
 * The pull of a string at pitch: T = μ(2Lf)².
 * @param mass kg/m
 * @param length sounding length, mm
 * @param frequency Hz
 * @returns N
 * @example stringTension(0.000398, 648, 329.63) → 72.6
 */
export const stringTension = (mass: number, length: number, frequency: Hz): Newton =>
  mass * (2 * (length / 1000) * frequency) ** 2;

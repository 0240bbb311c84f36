/** What a minute of each line costs in each stretch of time. */
export type Prices = readonly Float64Array[];

/** Nothing costs anything. */
export const noPrices = (lines: number, stretches: number): Float64Array[] =>
  Array.from({ length: lines }, () => new Float64Array(stretches));

/** How much of what was asked for before counts with what is asked for now. */
const BEFORE = 0.7;
/** The first step hopes for so much more, as a part of the value. */
const HOPE = 0.02;
/** A step after gain is longer, one in vain shorter; where it is shorter than this there is nothing to gain. */
const LONGER = 1.3;
const SHORTER = 0.7;
const SHORTEST = 1e-3;
/** So little is asked for too much or too little that there is no way to go; minutes, squared. */
const NOTHING = 1e-6;

/** The moments at which prices are moved; in between they move evenly. */
export interface Moments {
  readonly many: number;
  /** by stretch: the moment before it, and how much of the way to the next one it is */
  readonly before: Int32Array;
  readonly way: Float64Array;
}

/**
 * Moments for so many stretches, evenly between the first and the last of each part of them: from one part to the next prices may jump.
 * @param begins the first stretch of each part
 * @param each how many pieces a part has
 */
export function momentsOf(stretches: number, begins: readonly number[], each: number): Moments {
  const before = new Int32Array(stretches);
  const way = new Float64Array(stretches);
  begins.forEach((begin, part) => {
    const last = (begins[part + 1] ?? stretches) - 1;
    for (let stretch = begin; stretch <= last; stretch++) {
      const at = last > begin ? ((stretch - begin) / (last - begin)) * each : 0;
      const piece = Math.min(each - 1, Math.floor(at));
      before[stretch] = part * (each + 1) + piece;
      way[stretch] = at - piece;
    }
  });
  return { many: begins.length * (each + 1), before, way };
}

/** How finely prices are moved. */
export interface Grain {
  /** lines of the same number move together */
  readonly groupOf: readonly number[];
  readonly moments: Moments;
}

/**
 * A search for the prices at which a value is the highest: they rise where more is asked for than there is, and fall where less
 * (subgradients from the best prices so far). Many lines and stretches move together, so that what is asked for by chance evens out.
 */
export class PriceSearch {
  private now: Prices;
  private best: Float64Array;
  private tried: Float64Array;
  private along: Float64Array | null = null;
  private highest = -Infinity;
  private length = 1;

  private readonly first: Prices;
  private readonly grain: Grain;

  constructor(first: Prices, grain: Grain) {
    this.first = first;
    this.grain = grain;
    const groups = 1 + Math.max(0, ...grain.groupOf);
    this.now = first;
    this.best = new Float64Array(groups * grain.moments.many);
    this.tried = this.best;
  }

  /** the prices to try next */
  get prices(): Prices {
    return this.now;
  }

  /** the best ones tried */
  get bestPrices(): Prices {
    return this.pricesAt(this.best);
  }

  private pricesAt(moved: Float64Array): Float64Array[] {
    const { many, before, way } = this.grain.moments;
    return this.first.map((line, i) => {
      const from = (this.grain.groupOf[i] ?? 0) * many;
      return line.map((price, at) => {
        const moment = from + (before[at] as number);
        const part = way[at] as number;
        const by = (moved[moment] as number) * (1 - part) + (moved[moment + 1] as number) * part;
        return Math.max(0, price + by);
      });
    });
  }

  /**
   * Goes on from what came out at the present prices.
   * @param over by how much more is asked for than there is, by line and stretch
   * @param known what it is never higher than
   * @returns whether there is anything left to try
   */
  goOn(value: number, over: Prices, known: number): boolean {
    const way = this.wayUp(over);
    const before = this.along;
    this.along = before ? way.map((one, i) => BEFORE * (before[i] ?? 0) + (1 - BEFORE) * one) : way;
    if (value > this.highest) {
      this.highest = value;
      this.best = this.tried;
      this.along = way;
      this.length *= LONGER;
    } else this.length *= SHORTER;
    const squares = this.along.reduce((sum, one) => sum + one * one, 0);
    if (squares < NOTHING || this.length < SHORTEST) return false;
    const hope = Math.min(Math.max(0, known - this.highest), HOPE * Math.max(1, Math.abs(this.highest)));
    const far = (this.length * hope) / squares;
    const along = this.along;
    this.tried = this.best.map((one, i) => one + far * (along[i] ?? 0));
    this.now = this.pricesAt(this.tried);
    return true;
  }

  private wayUp(over: Prices): Float64Array {
    const { many, before, way } = this.grain.moments;
    const up = new Float64Array(this.best.length);
    over.forEach((line, i) => {
      const from = (this.grain.groupOf[i] ?? 0) * many;
      line.forEach((one, at) => {
        // What costs nothing does not cost less.
        if (one < 0 && (this.now[i]?.[at] ?? 0) <= 0) return;
        const moment = from + (before[at] as number);
        const part = way[at] as number;
        up[moment] = (up[moment] as number) + one * (1 - part);
        up[moment + 1] = (up[moment + 1] as number) + one * part;
      });
    });
    return up;
  }
}

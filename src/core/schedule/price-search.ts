/** What a minute of each line costs in each stretch of time. */
export type Prices = readonly Float64Array[];

/** Nothing costs anything. */
export const noPrices = (lines: number, stretches: number): Float64Array[] =>
  Array.from({ length: lines }, () => new Float64Array(stretches));

/** How much of what was asked for before counts with what is asked for now. */
const BEFORE = 0.6;
/** The first step hopes for so much more, as a part of the value. */
const HOPE = 0.006;
/** A step after gain is longer, one in vain shorter; where it is shorter than this there is nothing to gain. */
const LONGER = 1.3;
const SHORTER = 0.7;
const SHORTEST = 1e-3;
/** So little is asked for too much or too little that there is no way to go; minutes, squared. */
const NOTHING = 1e-6;

/** How finely prices are moved. */
export interface Grain {
  /** lines of the same number move together */
  readonly groupOf: readonly number[];
  /** prices are moved at so many moments, evenly in between */
  readonly parts: number;
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
    this.best = new Float64Array(groups * (grain.parts + 1));
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

  /** The two moments a stretch lies between, and how much of the way from the first it is. */
  private between(stretch: number, stretches: number): readonly [part: number, way: number] {
    const { parts } = this.grain;
    const at = stretches > 1 ? (stretch / (stretches - 1)) * parts : 0;
    const part = Math.min(parts - 1, Math.floor(at));
    return [part, at - part];
  }

  private pricesAt(moved: Float64Array): Float64Array[] {
    return this.first.map((line, i) => {
      const from = (this.grain.groupOf[i] ?? 0) * (this.grain.parts + 1);
      return Float64Array.from(line, (price, at) => {
        const [part, way] = this.between(at, line.length);
        const by = (moved[from + part] ?? 0) * (1 - way) + (moved[from + part + 1] ?? 0) * way;
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
    const up = new Float64Array(this.best.length);
    over.forEach((line, i) => {
      const from = (this.grain.groupOf[i] ?? 0) * (this.grain.parts + 1);
      line.forEach((one, at) => {
        // What costs nothing does not cost less.
        if (one < 0 && (this.now[i]?.[at] ?? 0) <= 0) return;
        const [part, way] = this.between(at, line.length);
        up[from + part] = (up[from + part] ?? 0) + one * (1 - way);
        up[from + part + 1] = (up[from + part + 1] ?? 0) + one * way;
      });
    });
    return up;
  }
}

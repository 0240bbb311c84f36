/** What a minute of each line costs in each piece of time. */
export type Prices = readonly Float64Array[];

/** Nothing costs anything. */
export const noPrices = (like: readonly (readonly number[])[]): Float64Array[] =>
  like.map((line) => new Float64Array(line.length));

/** So little is asked for too much or too little that there is no way to go; minutes, squared. */
const NOTHING = 1e-6;
/** It is better only by such a part. */
const BETTER = 1e-4;
/** What lies between the value and a known plan is hoped for at first; half of that whenever it was hoped for so often in vain. */
const PATIENCE = 10;
/** How much of the way before goes on in each step. */
const GOES_ON = 0.3;

/**
 * A search for the prices at which a value is the highest (subgradients with a target that comes nearer, and some momentum): they rise
 * where more is asked for than there is, and fall where less.
 */
export class PriceSearch {
  private readonly now: Float64Array[];
  private readonly along: Float64Array[];
  private highest = -Infinity;
  private hope = 0;
  private inVain = 0;

  constructor(first: Prices) {
    this.now = first.map((line) => line.slice());
    this.along = noPrices(first.map((line) => [...line]));
  }

  /** the prices to try next */
  get prices(): Prices {
    return this.now;
  }

  /**
   * Goes on from what came out at the present prices.
   * @param over by how much more is asked for than there is, by line and piece
   * @param known what it is never higher than
   * @returns whether there is anything left to try
   */
  goOn(value: number, over: Prices, known: number): boolean {
    if (this.highest === -Infinity) this.hope = known - value;
    if (this.highest === -Infinity || value > this.highest + BETTER * Math.abs(this.highest)) {
      this.highest = value;
      this.inVain = 0;
    } else if (++this.inVain % PATIENCE === 0) this.hope /= 2;
    return this.step(Math.max(0, Math.min(known, this.highest + this.hope) - value), over);
  }

  private step(toGo: number, over: Prices): boolean {
    let length = 0;
    this.along.forEach((line, i) =>
      line.forEach((before, at) => {
        const to = (over[i]?.[at] ?? 0) + GOES_ON * before;
        // What costs nothing does not cost less.
        line[at] = to < 0 && (this.now[i]?.[at] ?? 0) <= 0 ? 0 : to;
        length += (line[at] ?? 0) ** 2;
      }),
    );
    if (length < NOTHING) return false;
    this.now.forEach((line, i) =>
      line.forEach((price, at) => {
        line[at] = Math.max(0, price + (toGo / length) * (this.along[i]?.[at] ?? 0));
      }),
    );
    return true;
  }
}

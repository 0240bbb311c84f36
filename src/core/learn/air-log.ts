import { seasonOf, type At, type Season } from './season.ts';

const HOUR_MS = 3_600_000;
const WEEK_MS = 7 * 24 * HOUR_MS;

/** The air at a moment (ms since the epoch), as a logger wrote it down. */
export interface AirSample {
  readonly at: number;
  /** % relative */
  readonly humidity: number;
  /** °C, where it was written down */
  readonly temperature: number | null;
}

const mean = (of: readonly number[]): number => of.reduce((s, x) => s + x, 0) / of.length;
/** As exactly as anybody reads the air. */
const tenths = (x: number): number => Math.round(x * 10) / 10;

function grouped(samples: readonly AirSample[], length: number): ReadonlyMap<number, readonly AirSample[]> {
  const groups = new Map<number, AirSample[]>();
  for (const s of samples) {
    const begin = Math.floor(s.at / length) * length;
    const known = groups.get(begin);
    if (known) known.push(s);
    else groups.set(begin, [s]);
  }
  return groups;
}

/**
 * What a logger wrote down, hour by hour: the mean of each, in order of time.
 * @example hoursOf([{ at: 0, humidity: 40, temperature: 20 }, { at: 60_000, humidity: 42, temperature: null }]) → [{ at: 0, humidity: 41, temperature: 20 }]
 */
export const hoursOf = (samples: readonly AirSample[]): readonly AirSample[] =>
  [...grouped(samples, HOUR_MS)]
    .map(([at, own]): AirSample => {
      const temperatures = own.flatMap((s) => (s.temperature === null ? [] : [s.temperature]));
      return {
        at,
        humidity: tenths(mean(own.map((s) => s.humidity))),
        temperature: temperatures.length === 0 ? null : tenths(mean(temperatures)),
      };
    })
    .sort((a, b) => a.at - b.at);

/** The humidity of every week that was written down, at its middle. */
export const weeksOf = (hours: readonly AirSample[]): readonly At[] =>
  [...grouped(hours, WEEK_MS)]
    .map(([begin, own]) => ({ at: begin + WEEK_MS / 2, value: mean(own.map((s) => s.humidity)) }))
    .sort((a, b) => a.at - b.at);

/**
 * The air of a shop over the year: by the weeks its logger wrote down (a value an hour would be taken for so much more than it tells),
 * and by what was read with rounds in the weeks it did not.
 */
export function seasonOfAir(weeks: readonly At[], read: readonly At[]): Season | null {
  const logged = new Set(weeks.map((w) => Math.floor(w.at / WEEK_MS)));
  return seasonOf([...weeks, ...read.filter((r) => !logged.has(Math.floor(r.at / WEEK_MS)))]);
}

import { tellsApart } from '../readings/gauge.ts';
import { readingWords } from '../readings/reading-words.ts';
import type { PlanInput } from './plan-input.ts';

/** How far off a band's nearer edge a value stands; 0 inside. */
const beyond = (value: number, low: number, high: number): number => Math.max(low - value, value - high, 0);

/**
 * What the gauges leave open about a place, as a warning: a reading that stands out of its band by less than its gauge tells
 * apart is no ground for cutting. Null where it is sure, or where nothing is known of the gauge.
 * @param key the station
 * @param value what the proposal takes to stand there; the reading where nothing else is said
 */
export function doubtAbout(input: PlanInput, key: string, value?: number): string | null {
  const reading = input.readings.get(key);
  const target = input.targets.get(key);
  if (!reading || !target || reading.uncertainty == null) return null;
  const tells = tellsApart(reading.uncertainty);
  const off = beyond(value ?? reading.value, target.low, target.high);
  if (off === 0 || off > tells) return null;
  const label = input.stations.find((s) => s.key === key)?.label ?? key;
  const say = (n: number) => readingWords(reading.quantity, n).replace('+', '');
  return `${label}: out of its band by ${say(off)}, less than the ${say(tells)} its gauge tells apart. Read again with a finer one.`;
}

/** Says how sure an amount is that follows from a reading by a factor, or nothing where the gauge is not known. */
export function sureTo(input: PlanInput, key: string, factor: number): string {
  const reading = input.readings.get(key);
  const tells = tellsApart(reading?.uncertainty);
  return tells === 0 || !reading
    ? ''
    : ` Sure to ± ${readingWords(reading.quantity, tells * factor)} by its gauge.`;
}

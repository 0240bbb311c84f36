import { verdict } from '../../core/targets/target.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { sayPlaces } from '../../core/readings/say-places.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { judge } from '../jobs/judge.ts';

/** What of the readings as left is not as it should be, by the places' labels. All of it can be explained. */
export interface BenchTrouble {
  readonly missing: readonly string[];
  readonly outOfBand: readonly string[];
  readonly stale: readonly string[];
  readonly notPlaying: readonly string[];
}

/** Looks at the readings as left: all taken, in playing position, fresh, in their bands. */
export function benchTrouble(g: GatheredJob, judged: ReturnType<typeof judge>): BenchTrouble {
  const left = new Map(g.standard.filter((r) => r.round === 'as-left').map((r) => [r.key, r]));
  const required = g.stations.filter((s) => !s.optional);
  const those = (is: (key: string) => boolean): string[] =>
    required.filter((s) => is(s.key)).map((s) => s.label);
  return {
    missing: those((key) => !left.has(key)),
    outOfBand: required
      .filter((s) => {
        const [reading, target] = [left.get(s.key), judged.targets.get(s.key)];
        if (!reading || !target || reading.notRepresentative !== null) return false;
        const said = verdict(reading.value, target, QUANTITY_FACTS[s.quantity].tells);
        return said === 'high' || said === 'low';
      })
      .map((s) => s.label),
    stale: those((key) => {
      const reading = left.get(key);
      return reading !== undefined && judged.staleByReading.has(reading);
    }),
    notPlaying: those((key) => left.get(key)?.position === 'on-its-back'),
  };
}

/** The same in words, a line each, for whoever signs. */
export function sayTrouble(t: BenchTrouble): string[] {
  return [
    ...(t.missing.length > 0 ? [`${t.missing.length} readings as left are missing and not explained`] : []),
    ...(t.stale.length > 0 ? [`read as left before the last work: ${sayPlaces(t.stale)}`] : []),
    ...(t.outOfBand.length > 0 ? [`out of band and not explained: ${sayPlaces(t.outOfBand)}`] : []),
    ...(t.notPlaying.length > 0
      ? [`read on its back and not in playing position: ${sayPlaces(t.notPlaying)}`]
      : []),
  ];
}

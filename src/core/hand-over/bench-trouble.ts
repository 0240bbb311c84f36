import { verdict } from '../targets/target.ts';
import { judgedReadings } from '../readings/courses.ts';
import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { sayPlaces } from '../readings/say-places.ts';
import type { JudgedJob } from '../job/judged-job.ts';
import type { Reading } from '../readings/reading.ts';
import type { Judged } from '../job/judge.ts';

/** What of the readings as left is not as it should be, by the places' labels. All of it can be explained. */
export interface BenchTrouble {
  readonly missing: readonly string[];
  readonly outOfBand: readonly string[];
  readonly stale: readonly string[];
  readonly notPlaying: readonly string[];
}

/** Nothing to say. */
export const NO_TROUBLE: BenchTrouble = { missing: [], outOfBand: [], stale: [], notPlaying: [] };

/** Looks at the readings as left: all taken, in playing position, fresh, in their bands. */
export function benchTrouble(
  g: Pick<JudgedJob, 'stations' | 'instrument'> & {
    readonly standard: readonly (Reading & { readonly position: string })[];
  },
  judged: Pick<Judged, 'targets' | 'staleByReading'>,
): BenchTrouble {
  const left = new Map(g.standard.filter((r) => r.round === 'as-left').map((r) => [r.key, r]));
  const notUsed = [...left].filter(([, r]) => r.notRepresentative !== null).map(([key]) => key);
  const asJudged = judgedReadings(g.instrument.construction, left, new Set(notUsed));
  const required = g.stations.filter((s) => !s.optional);
  const those = (is: (key: string) => boolean): string[] =>
    required.filter((s) => is(s.key)).map((s) => s.label);
  return {
    missing: those((key) => !left.has(key)),
    outOfBand: required
      .filter((s) => {
        const [reading, target] = [asJudged.get(s.key), judged.targets.get(s.key)];
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

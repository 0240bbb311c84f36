import { USUAL_METHODS } from '../../readings/methods.ts';
import type { RoundKind } from '../../readings/rounds.ts';
import { allStations, type Station } from '../../readings/stations.ts';
import { resolveTarget, targetLayers, type Resolving } from '../../targets/resolve.ts';
import { playedWith, type Target } from '../../targets/target.ts';
import type { LeafJob } from './leaves.ts';

/** A station with the band its reading is held against, as the round's method shows it. */
export interface StationView extends Station {
  readonly target: Target | null;
}

const resolving = (job: LeafJob): Resolving => {
  const found = new Map(
    job.readings.readings
      .filter((r) => r.round === 'as-found' && r.notRepresentative === null)
      .map((r) => [r.key, r.standard]),
  );
  return { shop: job.readings.shopTargets, now: (s) => found.get(s.key), kind: job.instrument.kind };
};

/** The methods in force on a round. */
export const methodsOf = (job: LeafJob, round: RoundKind) =>
  job.readings.rounds.find((r) => r.kind === round)?.methods ?? job.readings.habits.methods ?? USUAL_METHODS;

/** Every place of a round's sheet, the setup first in the shop's working order, each with its target. */
export function sheetStations(job: LeafJob, round: RoundKind): readonly StationView[] {
  const { construction } = job.instrument;
  const methods = methodsOf(job, round);
  const how = { ...resolving(job), methods };
  return allStations(construction, { ...job.readings.habits, methods }).map((s) => ({
    ...s,
    target: resolveTarget(construction, playedWith(job.touch), job.readings.wishes, s, how),
  }));
}

/** Every layer that says something about a station, from the kind up. */
export const layersOf = (job: LeafJob, station: Station): readonly Target[] =>
  targetLayers(
    job.instrument.construction,
    playedWith(job.touch),
    job.readings.wishes,
    station,
    resolving(job),
  );

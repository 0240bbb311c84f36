import { operation } from '../catalogue/operations.ts';
import type { Act } from './acts.ts';
import { enoughFor } from './enough.ts';
import type { PracticeInstrument } from './instrument.ts';
import { practiceStations } from './read.ts';

/** What somebody does who makes no mistake: reads what a cut rests on right before it, and does what is enough. */
export function perfectLearner(p: PracticeInstrument): readonly Act[] {
  const stations = practiceStations(p.inside.construction);
  return enoughFor(p).flatMap((work): Act[] => {
    const { restsOn } = operation(work.operation);
    const reads = restsOn.flatMap((q): Act[] => {
      const station = stations.find((s) => s.quantity === q);
      return station ? [{ kind: 'read', station: station.key }] : [];
    });
    return [...reads, work];
  });
}
